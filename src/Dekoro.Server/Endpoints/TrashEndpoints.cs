using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Application.Trash;
using Dekoro.Core.Media;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>Several pictures at once: changed, taken away, put back; two that look alike made one.</summary>
internal static class TrashEndpoints
{
    private const int MaxAtOnce = 5000;

    public static void MapTrash(this IEndpointRouteBuilder api)
    {
        api.MapPost("/files/away", TakeAway)
            .WithSummary("Takes pictures away; they wait, and those that stand somewhere are kept and named.");
        api.MapPost("/files/back", PutBack).WithSummary("Puts pictures back that were taken away.");
        api.MapPost("/files/change", ChangeMany).WithSummary("Changes the same words of several pictures at once.");
        api.MapPost("/files/each", ChangeEach)
            .WithSummary("Changes the words of several pictures in one step, each in its own way.")
            .Takes(Bodies.MaxDraft);
        api.MapPost("/files/{id}/merge", MergeInto)
            .WithSummary(
                "Makes two pictures one: every place of the first shows the second, and the first is taken away."
            );
    }

    private static Results<Ok<TakenAway>, ProblemHttpResult> TakeAway(
        FileIds files,
        Workspace workspace,
        PlanningContext planning,
        Events events,
        TimeProvider clock
    )
    {
        if (files.Ids.Count > MaxAtOnce)
            return Problems.Of(400, $"At most {MaxAtOnce} pictures are taken away at once.", "ids");
        var places = planning.PlacesByPicture();
        var (away, standing) = (new List<string>(), new List<StillStanding>());
        foreach (var asset in workspace.Assets.FindMany(files.Ids))
        {
            if (places[asset.Id].Any())
                standing.Add(
                    new(asset.Id, asset.Facts.Words.Title, [.. places[asset.Id].Select(p => p.Page.Title).Distinct()])
                );
            else if (workspace.Assets.TakeAway(asset.Id, clock.GetUtcNow()))
                away.Add(asset.Id);
        }
        events.Send("library", new { id = away.FirstOrDefault() });
        return TypedResults.Ok(new TakenAway(away, standing, TrashPurge.WaitDays));
    }

    private static NoContent PutBack(FileIds files, Workspace workspace, Events events)
    {
        foreach (var id in files.Ids.Take(MaxAtOnce))
            workspace.Assets.PutBack(id);
        events.Send("library", new { id = files.Ids.FirstOrDefault() });
        return TypedResults.NoContent();
    }

    private static Results<Ok<ManyChanged>, ProblemHttpResult> ChangeMany(
        ManyChange many,
        Workspace workspace,
        Events events,
        BackgroundWork background
    )
    {
        if (many.Ids.Count > MaxAtOnce)
            return Problems.Of(400, $"At most {MaxAtOnce} pictures are changed at once.", "ids");
        return Changed(
            [.. workspace.Assets.FindMany(many.Ids).Select(a => (a, a.Version, many.Change))],
            workspace,
            events,
            background
        );
    }

    private static Results<Ok<ManyChanged>, ProblemHttpResult> ChangeEach(
        EachChange each,
        Workspace workspace,
        Events events,
        BackgroundWork background
    )
    {
        if (each.Changes.Count > MaxAtOnce)
            return Problems.Of(400, $"At most {MaxAtOnce} pictures are changed at once.", "changes");
        if (each.Changes.DistinctBy(c => c.Id).Count() < each.Changes.Count)
            return Problems.Of(400, "A picture is named twice: give all its changes together.", "changes");
        var assets = workspace.Assets.FindMany([.. each.Changes.Select(c => c.Id)]).ToDictionary(a => a.Id);
        return Changed(
            [.. each.Changes.Where(c => assets.ContainsKey(c.Id)).Select(c => (assets[c.Id], c.Version, c.Change))],
            workspace,
            events,
            background
        );
    }

    private static Results<Ok<ManyChanged>, ProblemHttpResult> Changed(
        IReadOnlyList<(Asset Asset, long Version, FileChange Change)> all,
        Workspace workspace,
        Events events,
        BackgroundWork background
    )
    {
        if (all.Any(c => c.Change.Keep is not null))
            return Problems.Of(400, "A keep area is drawn on one picture at a time.", "keep");
        if (all.Any(c => c.Change.HasOwnAddress is not null))
            return Problems.Of(400, "An address is given to one picture at a time.", "hasOwnAddress");
        var changes = all.Select(c =>
                (c.Asset.Id, c.Version, Was: c.Asset.Facts.Words, Words: c.Change.On(c.Asset.Facts.Words))
            )
            .Where(c => c.Words != c.Was)
            .ToList();
        if (changes.Select(c => c.Words.Refusal()).FirstOrDefault(e => e is not null) is { } error)
            return Problems.Of(400, error);
        var changed = workspace.Assets.ChangeWords([.. changes.Select(c => (c.Id, c.Version, c.Words))]);
        events.Send("library", new { id = changes.Select(c => c.Id).FirstOrDefault() });
        background.Prepare();
        return TypedResults.Ok(new ManyChanged(changed));
    }

    private static Results<Ok<Merged>, ProblemHttpResult> MergeInto(
        string id,
        Merge merge,
        HttpRequest request,
        Workspace workspace,
        PlanningContext planning,
        Swaps swaps,
        Events events,
        BackgroundWork background,
        Person person,
        TimeProvider clock
    )
    {
        if (
            workspace.Assets.Find(id) is not { } from
            || workspace.Assets.Find(merge.Into) is not { AwaySince: null } into
        )
            return Problems.NoPicture();
        if (from.Id == into.Id)
            return Problems.Of(400, "These are one picture already.", "into");
        if (Problems.VersionOf(request.Headers.IfMatch) is not { } version)
            return Problems.NoVersion();
        var places = planning.PlacesByPicture()[id].ToList();
        // Words said for a place alone stay with the place: the picture shows the same.
        var swap = swaps.Prepare(id, into.Id, [.. places.Select(p => (p.Page, p.Figure.Id, p.Figure.Alt.Own))]);
        var (words, now) = (Merging.Words(into.Facts.Words, from.Facts.Words), clock.GetUtcNow());
        if (
            !workspace.Assets.Merge(
                (id, version),
                (into.Id, merge.IntoVersion),
                words,
                c => swap.Save(c, person.Now, now),
                now
            )
        )
        {
            return Problems.Stale(
                "One of the two, or a page they stand on, was changed meanwhile, so nothing was done: look at "
                    + "them again, then try it again.",
                workspace.Assets.FindMany([id, into.Id]).Select(a => FileEndpoints.ItemOf(a, 0)).ToList(),
                merge
            );
        }
        swaps.Tell(swap);
        events.Send("library", new { id });
        background.Prepare();
        return TypedResults.Ok(new Merged(places.Count));
    }
}
