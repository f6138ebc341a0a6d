namespace Dekoro.Core.Planning;

/// <summary>Something a person should know about a piece of the page.</summary>
/// <param name="Blocks">True where it keeps the piece from being published.</param>
public sealed record Notice(string BlockId, string Sentence, bool Blocks = false);
