using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;

namespace Dekoro.Core.Planning;

/// <summary>Says behind each link to a file what a visitor gets: its type and size.</summary>
public sealed class FileFacts
{
    private readonly IReadOnlyDictionary<string, LinkedFile> _files;

    private FileFacts(IReadOnlyDictionary<string, LinkedFile> files) => _files = files;

    /// <summary>The same words with each link to a file followed by its type and size.</summary>
    public static Document In(Document page, IReadOnlyDictionary<string, LinkedFile> files)
    {
        var facts = new FileFacts(files);
        return new Document(Walk.Changed(page.Blocks, facts.In)).WithArrangements(facts.In);
    }

    private Block In(Block block) =>
        block switch
        {
            ParagraphBlock p when Leads(p.Inlines) => p with { Inlines = In(p.Inlines) },
            HeadingBlock h when Leads(h.Inlines) => h with { Inlines = In(h.Inlines) },
            ButtonBlock b when Of(b.Link) is { } facts && b.Text.Length > 0 => b with { Text = b.Text + facts },
            _ => block,
        };

    private bool Leads(ImmutableArray<Inline> inlines) =>
        inlines.Any(i => LinkOf(i) is { } link && Of(link) is not null);

    private Arrangement In(Arrangement set) =>
        set.Items.Any(i => i.Words is { } words && Of(words.Link) is not null)
            ? set with
            {
                Items = [.. set.Items.Select(In)],
            }
            : set;

    private ArrangementItem In(ArrangementItem item) =>
        item.Words is { Button.Length: > 0 } words && Of(words.Link) is { } facts
            ? item with
            {
                Words = words with { Button = words.Button + facts },
            }
            : item;

    // A link may be several runs, some of them bold: what it leads to is said after the last.
    private ImmutableArray<Inline> In(ImmutableArray<Inline> inlines) =>
        [
            .. inlines.Select(
                (inline, i) =>
                    inline is TextRun { Link: { } link } run
                    && Of(link) is { } facts
                    && (i + 1 == inlines.Length || LinkOf(inlines[i + 1]) != link)
                        ? run with
                        {
                            Text = run.Text + facts,
                        }
                        : inline
            ),
        ];

    private static string? LinkOf(Inline inline) =>
        inline switch
        {
            TextRun run => run.Link,
            LinePicture one => one.Link,
            _ => null,
        };

    private string? Of(string link) =>
        link.StartsWith(Link.File.Scheme, StringComparison.Ordinal)
        && _files.TryGetValue(link[Link.File.Scheme.Length..], out var file)
            ? file.Facts
            : null;
}
