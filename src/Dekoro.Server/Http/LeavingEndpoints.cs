using Dekoro.Core.Documents;
using Dekoro.Core.Library;
using Dekoro.Server.Work;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Http;

public sealed record FileIds(IReadOnlyList<string> Ids);

/// <summary>What became of each picture that was to leave.</summary>
/// <param name="Away">Taken away now; they wait.</param>
/// <param name="Standing">Kept, because they stand somewhere.</param>
/// <param name="WaitDays">For how long what is away can be put back.</param>
public sealed record TakenAway(IReadOnlyList<string> Away, IReadOnlyList<StillStanding> Standing, int WaitDays);

/// <param name="Pages">Titles of the pages it stands on.</param>
public sealed record StillStanding(string Id, string Title, IReadOnlyList<string> Pages);

/// <param name="Into">The picture that stays, with its words and all places of both.</param>
/// <param name="IntoVersion">The version of it that was seen.</param>
public sealed record Merge(string Into, long IntoVersion);

public sealed record Merged(int Places);

/// <param name="Ids">Pictures to change.</param>
public sealed record ManyChange(IReadOnlyList<string> Ids, FileChange Change);

/// <param name="Version">The version the change started from.</param>
public sealed record OneChange(string Id, long Version, FileChange Change);

/// <param name="Changes">At most one for each picture.</param>
public sealed record EachChange(IReadOnlyList<OneChange> Changes);

/// <param name="Changed">How many: those that someone else had changed meanwhile are left as they are.</param>
public sealed record ManyChanged(int Changed);

/// <summary>Several pictures at once: changed, taken away, put back; two that look alike made one.</summary>
internal static class LeavingEndpoints
{
    private const int MostAtOnce = 5000;

    public static void MapLeaving(this IEndpointRouteBuilder api)
    {
        api.MapPost("/files/away", TakeAway).WithSummary("Takes pictures away; they wait, and those that stand somewhere are kept and named.");
        api.MapPost("/files/back", PutBack).WithSummary("Puts pictures back that were taken away.");
        api.MapPost("/files/change", ChangeMany).WithSummary("Changes the same words of several pictures at once.");
        api.MapPost("/files/each", ChangeEach).WithSummary("Changes the words of several pictures in one step, each in its own way.").Takes(Bodies.MostDraft);
        api.MapPost("/files/{id}/merge", MergeInto).WithSummary("Makes two pictures one: every place of the first shows the second, and the first is taken away.");
    }

    private static Results<Ok<TakenAway>, ProblemHttpResult> TakeAway(FileIds files, Workspace workspace, PlanBook book, Events events, TimeProvider clock)
    {
        if (files.Ids.Count > MostAtOnce) return Problems.Of(400, $"At most {MostAtOnce} pictures are taken away at once.", "ids");
        var places = book.PlacesByPicture();
        var (away, standing) = (new List<string>(), new List<StillStanding>());
        foreach (var asset in workspace.Assets.FindMany(files.Ids))
        {
            if (places[asset.Id].Any()) standing.Add(new(asset.Id, asset.Facts.Words.Title, [.. places[asset.Id].Select(p => p.Page.Title).Distinct()]));
            else if (workspace.Assets.TakeAway(asset.Id, clock.GetUtcNow())) away.Add(asset.Id);
        }
        events.Send("library", new { id = away.FirstOrDefault() });
        return TypedResults.Ok(new TakenAway(away, standing, Leaving.WaitDays));
    }

    private static NoContent PutBack(FileIds files, Workspace workspace, Events events)
    {
        foreach (var id in files.Ids.Take(MostAtOnce)) workspace.Assets.PutBack(id);
        events.Send("library", new { id = files.Ids.FirstOrDefault() });
        return TypedResults.NoContent();
    }

    private static Results<Ok<ManyChanged>, ProblemHttpResult> ChangeMany(ManyChange many, Workspace workspace, Events events, BackgroundWork background)
    {
        if (many.Ids.Count > MostAtOnce) return Problems.Of(400, $"At most {MostAtOnce} pictures are changed at once.", "ids");
        return Changed([.. workspace.Assets.FindMany(many.Ids).Select(a => (a, a.Version, many.Change))], workspace, events, background);
    }

    private static Results<Ok<ManyChanged>, ProblemHttpResult> ChangeEach(EachChange each, Workspace workspace, Events events, BackgroundWork background)
    {
        if (each.Changes.Count > MostAtOnce) return Problems.Of(400, $"At most {MostAtOnce} pictures are changed at once.", "changes");
        if (each.Changes.DistinctBy(c => c.Id).Count() < each.Changes.Count) return Problems.Of(400, "A picture is named twice: give all its changes together.", "changes");
        var assets = workspace.Assets.FindMany([.. each.Changes.Select(c => c.Id)]).ToDictionary(a => a.Id);
        return Changed([.. each.Changes.Where(c => assets.ContainsKey(c.Id)).Select(c => (assets[c.Id], c.Version, c.Change))], workspace, events, background);
    }

    private static Results<Ok<ManyChanged>, ProblemHttpResult> Changed(
        IReadOnlyList<(Asset Asset, long Version, FileChange Change)> all, Workspace workspace, Events events, BackgroundWork background)
    {
        if (all.Any(c => c.Change.Keep is not null)) return Problems.Of(400, "A keep area is drawn on one picture at a time.", "keep");
        if (all.Any(c => c.Change.HasOwnAddress is not null)) return Problems.Of(400, "An address is given to one picture at a time.", "hasOwnAddress");
        var changes = all.Select(c => (c.Asset.Id, c.Version, Was: c.Asset.Facts.Words, Words: c.Change.On(c.Asset.Facts.Words))).Where(c => c.Words != c.Was).ToList();
        if (changes.Select(c => FileEndpoints.WordsError(c.Words)).FirstOrDefault(e => e is not null) is { } error) return Problems.Of(400, error);
        var changed = workspace.Assets.ChangeWords([.. changes.Select(c => (c.Id, c.Version, c.Words))]);
        events.Send("library", new { id = changes.Select(c => c.Id).FirstOrDefault() });
        background.Prepare();
        return TypedResults.Ok(new ManyChanged(changed));
    }

    private static Results<Ok<Merged>, ProblemHttpResult> MergeInto(
        string id, Merge merge, HttpRequest request, Workspace workspace, PlanBook book, Swaps swaps, Events events, BackgroundWork background, Person person, TimeProvider clock)
    {
        if (workspace.Assets.Find(id) is not { } from || workspace.Assets.Find(merge.Into) is not { AwaySince: null } into) return Problems.NoPicture();
        if (from.Id == into.Id) return Problems.Of(400, "These are one picture already.", "into");
        if (Problems.VersionOf(request.Headers.IfMatch) is not { } version) return Problems.NoVersion();
        var places = book.PlacesByPicture()[id].ToList();
        // Words said for a place alone stay with the place: the picture shows the same.
        var swap = swaps.Prepare(id, into.Id, [.. places.Select(p => (p.Page, p.Figure.Id, p.Figure.Alt.Own))]);
        var (words, now) = (Merging.Words(into.Facts.Words, from.Facts.Words), clock.GetUtcNow());
        if (!workspace.Assets.Merge((id, version), (into.Id, merge.IntoVersion), words, c => swap.Save(c, person.Now, now), now))
        {
            return Problems.Stale("One of the two, or a page they stand on, was changed meanwhile, so nothing was done: look at them again, then try it again.",
                workspace.Assets.FindMany([id, into.Id]).Select(a => FileEndpoints.ItemOf(a, 0)).ToList(), merge);
        }
        swaps.Tell(swap);
        events.Send("library", new { id });
        background.Prepare();
        return TypedResults.Ok(new Merged(places.Count));
    }
}
