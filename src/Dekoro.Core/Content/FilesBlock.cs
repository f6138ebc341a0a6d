using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>Files to take away, each with its type and size.</summary>
public sealed record FilesBlock(string Id, ImmutableArray<ListedFile> Files) : Block(Id)
{
    /// <summary>The most files one list may hold.</summary>
    public const int Max = 200;
}
