using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>Files to take away, each with its type and size.</summary>
public sealed record FilesBlock(string Id, ImmutableArray<ListedFile> Files) : Block(Id)
{
    /// <summary>The most files one list may hold.</summary>
    public const int Max = 200;

    /// <inheritdoc/>
    public override string KindInWords => "a table of files";

    /// <inheritdoc/>
    public override IEnumerable<TextRun> Runs() =>
        Files.Select(file => new TextRun(file.Words ?? "", Link: Dekoro.Core.Links.Link.File.Scheme + file.FileId));

    /// <inheritdoc/>
    public override string ToPlainText() => string.Join('\n', Files.Select(file => file.Words).OfType<string>());
}
