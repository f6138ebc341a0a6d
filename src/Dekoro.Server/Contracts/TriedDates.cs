namespace Dekoro.Server.Contracts;

/// <summary>Dates of one banner that are being tried.</summary>
public sealed record TriedDates(string Id, string From, string Until, bool Yearly);
