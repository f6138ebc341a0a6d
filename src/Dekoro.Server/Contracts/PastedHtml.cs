namespace Dekoro.Server.Contracts;

public sealed record PastedHtml(string Html, string? Address = null);
