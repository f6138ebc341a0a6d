using System.Collections.Immutable;
using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Core.Calendar;
using Dekoro.Core.Checks;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Publication;
using Dekoro.Storage;
using NodaTime;

namespace Dekoro.Application.Publication;

/// <summary>What publishing would change, and on which days the public site changes by itself.</summary>
public sealed class SiteChanges(
    Workspace workspace,
    PlanningContext planning,
    RenditionMaker maker,
    SiteBuilder builder,
    FilesBeside beside,
    SiteCalendar days
)
{
    /// <summary>
    /// So far ahead, and so often, the public site becomes another by itself before it has to be published again.
    /// </summary>
    private const int MaxDaysAhead = 400,
        MaxChangesAhead = 60;

    private IEnumerable<ResolvedPage> PublicPages => SiteBuilder.PagesOf(planning, planning.PublicPages());

    /// <summary>What changes round pages that may be the same otherwise; none where nothing is public yet.</summary>
    public IReadOnlyList<string> Round() =>
        workspace.Settings.Get(Publisher.PublishedMenu) is { } json
            ? [.. RoundPages.ChangesBetween(Json.Read<RoundPages>(json), planning.Round())]
            : [];

    /// <summary>
    /// Per page, what would change on the public site, pages first, then posts; and the addresses at which a file
    /// beside the pages comes, changes or goes.
    /// </summary>
    public (IReadOnlyList<PageChange> Pages, IReadOnlyList<string> OtherFiles) Of()
    {
        var facts = planning.Facts();
        var plans = SiteBuilder.PlansOf(PublicPages, facts);
        var now = beside.ContentsOf(beside.Of(plans, facts));
        var notices = plans.ToLookup(p => p.Page.Main.Id, p => PageChecks.Of(p));
        var published = workspace.Settings.Get(Publisher.PublishedFiles) is { } json
            ? Json.Read<Dictionary<string, string>>(json)
            : [];
        var changes = workspace
            .Pages.All()
            .Concat(workspace.Pages.Away())
            .Where(p => p.IsOn || p.Published is not null)
            .Select(page => (Page: page, Change: ChangeOf(page)))
            .ToList();
        var links = changes
            .Where(c => c.Change is "new" or "off")
            .ToDictionary(c => Link.Page.Scheme + c.Page.Id, c => LinkNote(c.Page, c.Change));
        return (
            [
                .. changes
                    .Select(c =>
                        (c.Page, c.Change, Why: WhyOf(c.Page, c.Change), Links: LinksOf(c.Page, c.Change, links))
                    )
                    .Select(c => new PageChange(
                        c.Page.Id,
                        c.Page.Title,
                        c.Page.Path,
                        c.Links.Count > 0 ? "changed" : c.Change,
                        c.Why,
                        c.Why is [ChangeReasons.Style],
                        [
                            .. c.Links,
                            .. notices[c.Page.Id]
                                .SelectMany(n => n)
                                .DistinctBy(n => (n.BlockId, n.Sentence))
                                .GroupBy(n => n.Sentence)
                                .Select(n => n.Count() > 1 ? $"{n.Key} ({n.Count()} pieces)" : n.Key),
                        ]
                    )),
            ],
            [
                .. now.Except(published)
                    .Concat(published.Except(now))
                    .Select(f => f.Key)
                    .Distinct()
                    .Order(StringComparer.Ordinal),
            ]
        );
    }

    private ImmutableArray<string> WhyOf(PageRow page, string change) =>
        change == "changed" && page.Published is { } then ? ChangeReasons.Between(then, planning.ContentOf(page)) : [];

    private string ChangeOf(PageRow page) =>
        planning.StateOf(page) switch
        {
            PageStatus.Off => "off",
            PageStatus.Draft => "new",
            PageStatus.Changed => "changed",
            _ => "same",
        };

    private static string LinkNote(PageRow page, string change) =>
        change == "new"
            ? $"Its link to “{page.Title}” leads there from now on."
            : $"Its link to “{page.Title}” goes with that page, and the words of it stay.";

    /// <summary>What pages that come or go do to a page that is the same otherwise.</summary>
    private List<string> LinksOf(PageRow page, string change, Dictionary<string, string> notes) =>
        notes.Count == 0 || change != "same"
            ? []
            :
            [
                .. TextRuns
                    .LinksIn(planning.DocumentOf(page))
                    .Select(link => notes.GetValueOrDefault(link.Split('#')[0]))
                    .OfType<string>()
                    .Distinct(),
            ];

    /// <summary>
    /// What publishing would have to make: how many pictures need files that are not there, and how many files those
    /// are.
    /// </summary>
    public (int Pictures, int Files) NotMadeYet()
    {
        var facts = planning.Facts();
        var plans = SiteBuilder.PlansOf(PublicPages, facts);
        var assets = builder.AssetsOf(plans);
        var byName = plans
            .SelectMany(p => p.Figures.Values)
            .SelectMany(f => f.Files)
            .Distinct()
            .Where(file => !file.IsUnchanged)
            .Select(file => (Name: maker.NameOf(assets[file.AssetId], file), file.AssetId))
            .DistinctBy(f => f.Name)
            .ToDictionary(f => f.Name, f => f.AssetId);
        var missing = maker.Missing(byName.Keys);
        return (missing.Select(name => byName[name]).Distinct().Count(), missing.Count);
    }

    /// <summary>Days on which the public site becomes another by itself.</summary>
    public IReadOnlyList<LocalDate> Ahead()
    {
        var today = days.Today;
        var dated = PublicPages.SelectMany(p => ResolvedBlocks.SetsOf(p.Document)).DistinctBy(a => a.Id);
        return
        [
            .. dated
                .SelectMany(a => a.ChangesWithin(today, today.PlusDays(MaxDaysAhead)))
                .Distinct()
                .Order()
                .Take(MaxChangesAhead),
        ];
    }

    /// <summary>What is to be known where the public site becomes another by itself.</summary>
    public static string AheadNote { get; } =
        $"What is more than {MaxDaysAhead} days or {MaxChangesAhead} changes ahead comes once you have "
        + "published again.";

    internal static string? FirstOf(IReadOnlyList<LocalDate> ahead) =>
        ahead is [var first, ..] ? RunDates.Named(first) : null;
}
