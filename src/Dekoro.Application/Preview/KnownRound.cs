using System.Collections.Immutable;
using Dekoro.Core.Publication;
using Dekoro.Core.Site;
using Dekoro.Publishing;
using Dekoro.Storage;

namespace Dekoro.Application.Preview;

/// <summary>What of pages stands round others; the same object as long as it reads the same.</summary>
/// <param name="Frame">As pages are written with it.</param>
/// <param name="Pages">As it is told to people.</param>
public sealed record KnownRound(SiteFrame Frame, RoundPages Pages)
{
    internal static KnownRound Of(ImmutableArray<PageRow> pages, SiteStyle style)
    {
        var on = pages.Where(p => p.IsOn).ToLookup(p => p.Kind);
        // The menu shows no summaries: one that is typed must not make every page another.
        var menu = on["page"].Select(p => new MenuEntry(p.Id, p.Title, p.Path, ""));
        var posts = on["post"].Select(p => new MenuEntry(p.Id, p.Title, p.Path, p.Summary) { Dated = p.Dated });
        var frame = new SiteFrame(style.Name, style.Language, [.. menu], [.. posts]);
        return new(frame, new(LinesOf(frame.Menu.Where(e => e.Path.Length > 0)), LinesOf(frame.Posts)));
    }

    /// <summary>Whether the same comes of both.</summary>
    internal static bool IsSame(ImmutableArray<PageRow> one, ImmutableArray<PageRow> other) =>
        one == other || one.Length == other.Length && one.Zip(other).All(p => IsSame(p.First, p.Second));

    private static bool IsSame(PageRow one, PageRow other) =>
        ReferenceEquals(one, other)
        || (one.Id, one.Kind, one.IsOn, one.Title, one.Path, one.Summary, one.Dated)
            == (other.Id, other.Kind, other.IsOn, other.Title, other.Path, other.Summary, other.Dated);

    private static IReadOnlyList<MenuLine> LinesOf(IEnumerable<MenuEntry> entries) =>
        [.. entries.Select(e => new MenuLine(e.PageId, e.Title, e.Path, e.Summary, e.Dated))];
}
