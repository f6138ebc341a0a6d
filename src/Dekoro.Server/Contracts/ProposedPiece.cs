namespace Dekoro.Server.Contracts;

/// <summary>A piece of what was read, as words or as a picture.</summary>
/// <param name="Kind">heading, text, list, quote, rule, picture.</param>
/// <param name="Picture">The picture's id, where it is one.</param>
public sealed record ProposedPiece(string Kind, string Text, string? Picture);
