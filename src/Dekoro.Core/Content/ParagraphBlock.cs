using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>A paragraph.</summary>
public sealed record ParagraphBlock(string Id, ImmutableArray<Inline> Inlines) : Block(Id);
