using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Links;

namespace Dekoro.Core.Documents;

/// <summary>The runs of text of a page, wherever they stand, and the links written in it.</summary>
public static class TextRuns
{
    /// <returns>Each run with the innermost piece that holds it.</returns>
    public static IEnumerable<(Block Block, TextRun Run)> In(Block block) => block switch
    {
        ColumnsBlock c => c.Pieces.SelectMany(In),
        ButtonBlock { Link.Length: > 0 } b => [(block, new TextRun(b.Text, Link: b.Link))],
        FilesBlock files => files.Files.Select(file => (block, new TextRun(file.Words ?? "", Link: Link.File.Scheme + file.FileId))),
        BandBlock b => b.Blocks.SelectMany(In),
        ArrangementBlock set => set.Slides.SelectMany(s => s.Blocks).SelectMany(In),
        _ => LinesIn(block).SelectMany(l => l.Inlines.Select(i => i switch { TextRun run => run, LinePicture { Link: { } link } => new TextRun("", Link: link), _ => null }).OfType<TextRun>().Select(r => (l.Block, r))),
    };

    /// <summary>The lines of a piece of words, paragraph by paragraph.</summary>
    public static IEnumerable<(Block Block, ImmutableArray<Inline> Inlines)> LinesIn(Block block) => block switch
    {
        ParagraphBlock p => [(block, p.Inlines)],
        HeadingBlock h => [(block, h.Inlines)],
        ListBlock l => l.Items.SelectMany(item => item.SelectMany(LinesIn)),
        QuoteBlock q => q.Blocks.SelectMany(LinesIn),
        _ => [],
    };

    /// <summary>The same words with each link to a file followed by its type and size.</summary>
    public static Document WithFileFacts(Document page, IReadOnlyDictionary<string, LinkedFile> files)
    {
        return new([.. page.Blocks.Select(Of)]);

        Block Of(Block block) => block switch
        {
            ParagraphBlock p => p with { Inlines = Lines(p.Inlines) },
            HeadingBlock h => h with { Inlines = Lines(h.Inlines) },
            ListBlock l => l with { Items = [.. l.Items.Select(item => item.Select(Of).ToImmutableArray())] },
            QuoteBlock q => q with { Blocks = [.. q.Blocks.Select(Of)] },
            ButtonBlock b when FactsOf(b.Link) is { } facts && b.Text.Length > 0 => b with { Text = b.Text + facts },
            ColumnsBlock c => c with { Cells = [.. c.Cells.Select(Of).Cast<CellBlock>()] },
            GroundedBlock b => b with { Blocks = [.. b.Blocks.Select(Of)] },
            ArrangementBlock { Arrangement: { } set } b when set.Items.Any(i => i.Words is { } words && FactsOf(words.Link) is not null) => b with { Arrangement = set with { Items = [.. set.Items.Select(Slide)] } },
            _ => block,
        };

        ArrangementItem Slide(ArrangementItem item) =>
            item.Words is { Button.Length: > 0 } words && FactsOf(words.Link) is { } facts ? item with { Words = words with { Button = words.Button + facts } } : item;

        ImmutableArray<Inline> Lines(ImmutableArray<Inline> inlines) => !inlines.Any(i => LinkOf(i) is { } link && FactsOf(link) is not null) ? inlines :
        [
            // A link may be several runs, some of them bold: what it leads to is said after the last.
            .. inlines.Select((inline, i) => inline is TextRun { Link: { } link } run && FactsOf(link) is { } facts && (i + 1 == inlines.Length || LinkOf(inlines[i + 1]) != link)
                ? run with { Text = run.Text + facts } : inline),
        ];

        static string? LinkOf(Inline inline) => inline switch { TextRun run => run.Link, LinePicture one => one.Link, _ => null };

        string? FactsOf(string link) => link.StartsWith(Link.File.Scheme, StringComparison.Ordinal) && files.TryGetValue(link[Link.File.Scheme.Length..], out var file) ? file.Facts : null;
    }

    /// <summary>A figure's link as it would be written in text; null for none, and for its own large file.</summary>
    public static string? LinkOf(FigureBlock figure) => figure.Link.Kind switch
    {
        // A press on it plays.
        _ when figure.Video is not null => null,
        _ when figure.Instead is LargerContent.Page page => page.Link,
        FigureLinkKind.Page => Link.Page.Scheme + figure.Link.Target,
        FigureLinkKind.Address => figure.Link.Target,
        _ => null,
    };

    /// <summary>Files of the library that play on a page, or are shown while one plays.</summary>
    /// <returns>Each with the piece in which it plays.</returns>
    public static IEnumerable<(string BlockId, string FileId)> FilesPlayedIn(Document page) =>
        page.Figures.Where(f => f.OwnVideo is not null).SelectMany(f => new[] { (f.Id, f.OwnVideo!.FileId), (f.Id, f.OwnVideo.CaptionsId) })
            .Concat(page.Grounded.Select(b => (b.Id, b.Ground.VideoId))).Where(played => played.Item2 is not null).Select(played => (played.Id, played.Item2!));

    /// <summary>Every link of a page as it is written, whether or not it leads anywhere.</summary>
    public static IEnumerable<string> LinksIn(Document page) =>
        page.Blocks.SelectMany(In).Select(r => r.Run.Link).Concat(page.Figures.Select(LinkOf)).OfType<string>()
            .Concat(FilesPlayedIn(page).Select(played => Link.File.Scheme + played.FileId));
}
