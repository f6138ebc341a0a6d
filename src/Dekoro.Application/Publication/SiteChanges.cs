using System.Collections.Immutable;
using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Calendar;
using Dekoro.Core.Links;
using Dekoro.Core.Publication;
using Dekoro.Storage;
using NodaTime;

namespace Dekoro.Application.Publication;

/// <summary>What publishing would change, and on which days the public site changes by itself.</summary>
public sealed class SiteChanges(
    Workspace workspace,
    PlanningContext planning,
    SiteBuilder builder,
    FilesBeside beside,
    IiifFiles iiif,
    SiteCalendar days
)
{
    /// <summary>
    /// So far ahead, and so often, the public site becomes another by itself before it has to be published again.
    /// </summary>
    private const int MaxDaysAhead = 400,
        MaxChangesAhead = 60;

    private const string Same = "same";

    /// <summary>A list of more pages than this is read by nobody.</summary>
    private const int MostTold = 200;

    /// <summary>So many pages are planned at a time where all are looked at.</summary>
    private const int AtATime = 64;

    /// <summary>What changes round pages that may be the same otherwise; none where nothing is public yet.</summary>
    public IReadOnlyList<string> Round() => Round(planning.Round());

    private IReadOnlyList<string> Round(RoundPages now)
    {
        if (workspace.Settings.Get(Publisher.PublishedMenu) is not { } json)
            return [];
        // What is public is read again where it is another.
        if (_published is not { } known || known.Json != json)
            _published = known = new(json, Json.Read<RoundPages>(json), null, []);
        if (!ReferenceEquals(known.Now, now))
            _published = known = known with { Now = now, Changes = [.. RoundPages.ChangesBetween(known.Round, now)] };
        return known.Changes;
    }

    /// <summary>Whether what stands round pages is public as it is.</summary>
    internal bool IsRoundTheSame(RoundPages now) =>
        workspace.Settings.Get(Publisher.PublishedMenu) is not null && Round(now).Count == 0;

    /// <summary>What is public, and how what it was last compared with differs.</summary>
    private sealed record PublishedRound(
        string Json,
        RoundPages Round,
        RoundPages? Now,
        ImmutableArray<string> Changes
    );

    private PublishedRound? _published;

    /// <summary>
    /// What would change on the public site: of pages, then posts, so many as are read, and how many those are in all;
    /// and the addresses at which a file beside the pages comes, changes or goes.
    /// </summary>
    public (IReadOnlyList<PageChange> Pages, int All, IReadOnlyList<string> OtherFiles) Of()
    {
        var site = planning.Site;
        var linked = planning.Digests.OfPublic(site).SelectMany(d => d.FileIds).ToHashSet(StringComparer.Ordinal);
        var now = FilesBeside.ContentsOf(beside.Of(linked, site), iiif.Of(site), site);
        var published = workspace.Settings.Get(Publisher.PublishedFiles) is { } json
            ? Json.Read<Dictionary<string, string>>(json)
            : [];
        var all = site
            .Pages.Where(p => p.IsPublic || p.Row!.Published is not null)
            .Select(p => ChangeOf(p.Row!, planning.StateOf(p)))
            .Concat(workspace.Pages.AwayAndPublic().Select(p => ChangeOf(p, PageStatus.Off)))
            .ToList();
        var notes = all.Where(c => c.Change is "new" or "off")
            .ToDictionary(c => Link.Page.Scheme + c.Page.Id, c => LinkNote(c.Page, c.Change));
        var changes = all.Select(c => (c.Page, c.Change, c.Why, Links: LinksOf(c.Page, c.Change, notes, DigestOf)))
            .Where(c => c.Change != Same || c.Links.Count > 0)
            .ToList();
        return (
            [.. changes.Take(MostTold).Select(Told)],
            changes.Count,
            [
                .. now.Except(published)
                    .Concat(published.Except(now))
                    .Select(f => f.Key)
                    .Distinct()
                    .Order(StringComparer.Ordinal),
            ]
        );

        PageDigest? DigestOf(PageRow page) =>
            site.ById.GetValueOrDefault(page.Id) is { IsPublic: true } known ? planning.Digests.Of(known, site) : null;

        PageChange Told((PageRow Page, string Change, ImmutableArray<string> Why, List<string> Links) c) =>
            new(
                c.Page.Id,
                c.Page.Title,
                c.Page.Path,
                c.Links.Count > 0 ? "changed" : c.Change,
                c.Why,
                c.Why is [ChangeReasons.Style],
                [
                    .. c.Links,
                    .. (DigestOf(c.Page)?.Notices.Value ?? [])
                        .DistinctBy(n => (n.BlockId, n.Sentence))
                        .GroupBy(n => n.Sentence)
                        .Select(n => n.Count() > 1 ? $"{n.Key} ({n.Count()} pieces)" : n.Key),
                ]
            );
    }

    /// <summary>What would become of a page, and why where it changes; its content is worked out once.</summary>
    private (PageRow Page, string Change, ImmutableArray<string> Why) ChangeOf(PageRow page, string state) =>
        state switch
        {
            PageStatus.Off => (page, "off", []),
            PageStatus.Draft => (page, "new", []),
            PageStatus.Changed => (page, "changed", ChangeReasons.Between(page.Published!, planning.ContentOf(page))),
            _ => (page, Same, []),
        };

    private static string LinkNote(PageRow page, string change) =>
        change == "new"
            ? $"Its link to “{page.Title}” leads there from now on."
            : $"Its link to “{page.Title}” goes with that page, and the words of it stay.";

    /// <summary>What pages that come or go do to a page that is the same otherwise.</summary>
    private static List<string> LinksOf(
        PageRow page,
        string change,
        Dictionary<string, string> notes,
        Func<PageRow, PageDigest?> digestOf
    ) =>
        notes.Count == 0 || change != Same
            ? []
            :
            [
                .. digestOf(page)!
                    .LinksAsWritten.Select(link => notes.GetValueOrDefault(link.Split('#')[0]))
                    .OfType<string>()
                    .Distinct(),
            ];

    /// <summary>
    /// What publishing would have to make: how many pictures need files that are not there, and how many files those
    /// are.
    /// </summary>
    public (int Pictures, int Files) NotMadeYet()
    {
        var moment = planning.Moment;
        var due = moment.Digests.Where(d => !builder.IsPrepared(d));
        var missing = due.Chunk(AtATime)
            .SelectMany(some => builder.NotMadeYet(moment, some).SelectMany(ladder => ladder))
            .ToHashSet();
        return (missing.Select(f => f.AssetId).Distinct().Count(), missing.Count);
    }

    /// <summary>Days on which the public site becomes another by itself.</summary>
    public IReadOnlyList<LocalDate> Ahead()
    {
        var today = days.Today;
        var dated = planning
            .Site.Public.Where(p => !p.From.Sets.IsEmpty || !p.From.BannerSets.IsEmpty)
            .SelectMany(p => p.From.Sets.Concat(p.From.BannerSets))
            .OfType<Arrangement>()
            .DistinctBy(a => a.Id);
        return
        [
            .. dated
                .SelectMany(a => a.ChangesWithin(today, today.PlusDays(MaxDaysAhead)))
                .Concat(planning.BannerChangesWithin(today, today.PlusDays(MaxDaysAhead)))
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
