using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <param name="Level">2 to 4; 1 is the page's own title.</param>
public sealed record HeadingBlock(string Id, int Level, ImmutableArray<Inline> Inlines) : Block(Id);
