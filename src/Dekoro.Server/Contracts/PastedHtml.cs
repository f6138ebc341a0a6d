namespace Dekoro.Server.Contracts;

/// <summary>HTML as it was pasted, with the address of the page it stood on.</summary>
public sealed record PastedHtml(string Html, string? Address = null);
