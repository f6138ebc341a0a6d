using Dekoro.Application.Hosting;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;

namespace Dekoro.Application.Preview;

/// <summary>
/// An arrangement on a page of its own, planned. While it is worked on, what is told of it and what its stage shows are
/// asked for one right after the other: the second takes what the first had planned, as long as nothing was written in
/// between.
/// </summary>
public sealed class StagePlans(Workspace workspace, PlanningContext book)
{
    /// <summary>Another process may write too.</summary>
    private const long FreshMs = 2000;

    private sealed record Planned(string SetId, long Writes, long AtMs, IReadOnlyList<PagePlan> Plans);

    private readonly Lock _planning = new();
    private Planned? _last;

    /// <returns>All parts of a gallery in parts, in their order.</returns>
    public IReadOnlyList<PagePlan> Of(Arrangement set)
    {
        // Both are asked for at once: the one that comes later waits for the plan instead of making it too.
        using var planning = _planning.EnterScope();
        var (writes, now) = (workspace.Database.Writes, Environment.TickCount64);
        if (_last is { } last && last.SetId == set.Id && last.Writes == writes && now - last.AtMs < FreshMs)
            return last.Plans;
        var page = PageOf(set);
        var facts = book.Facts(page);
        IReadOnlyList<PagePlan> plans = [.. GalleryPages.Of(page).Select(sheet => PagePlanner.Plan(sheet, facts))];
        _last = new(set.Id, writes, now, plans);
        return plans;
    }

    /// <summary>It alone on a page, reaching as far as where it reaches furthest.</summary>
    public ResolvedPage PageOf(Arrangement set)
    {
        var alone = new Document([new ResolvedArrangement("stage", set, ReachOf(set))]);
        return book.PageOf("stage-" + set.Id, new(set.Name, "stage", "", alone));
    }

    private SizeRole ReachOf(Arrangement set)
    {
        var reaches = book
            .Used.Sets[set.Id]
            .SelectMany(page => book.DocumentOf(page).Arrangements)
            .Where(a => a.ArrangementId == set.Id)
            .Select(a => a.Reach)
            .ToHashSet();
        return reaches.Contains(SizeRole.Edge) ? SizeRole.Edge
            : reaches.SetEquals([SizeRole.Column]) ? SizeRole.Column
            : SizeRole.Wide;
    }
}
