using Dekoro.Core.Choices;

namespace Dekoro.Core.Content;

/// <summary>Words that lead somewhere and look like something to press.</summary>
/// <param name="Link">As it is written in the document; empty while it is not said where it leads.</param>
public sealed record ButtonBlock(string Id, string Text, string Link, ButtonKind Kind) : Block(Id);
