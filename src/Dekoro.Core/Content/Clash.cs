namespace Dekoro.Core.Content;

/// <summary>Something that both sides changed, each in its own way.</summary>
/// <param name="BlockId">Null for the page's title, address or summary.</param>
/// <param name="What">"Title", "a picture", …</param>
/// <param name="Yours">Its words; empty where it was taken out.</param>
public sealed record Clash(string? BlockId, string What, string Yours, string Theirs);
