using Dekoro.Application.Changes;
using Dekoro.Application.Drafts;
using Dekoro.Application.Pictures;
using Dekoro.Application.Trash;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>Several pictures at once: changed, taken away, put back; two that look alike made one.</summary>
internal static class TrashEndpoints
{
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

    private static Results<Ok<TakenAway>, ProblemHttpResult> TakeAway(FileIds files, PictureChanges changes)
    {
        if (files.Ids.Count > PictureChanges.MaxAtOnce)
            return Problems.Of(400, $"At most {PictureChanges.MaxAtOnce} pictures are removed at once.", "ids");
        var (away, standing) = changes.TakeAway(files.Ids);
        var kept = standing.Select(s => new StillStanding(s.Asset.Id, s.Asset.Facts.Metadata.Title, s.Pages));
        return TypedResults.Ok(new TakenAway(away, [.. kept], TrashPurge.WaitDays));
    }

    private static NoContent PutBack(FileIds files, PictureChanges changes)
    {
        changes.PutBack(files.Ids);
        return TypedResults.NoContent();
    }

    private static Results<Ok<ManyChanged>, ProblemHttpResult> ChangeMany(ManyChange many, PictureChanges changes) =>
        changes
            .ChangeMany([.. many.Ids.Distinct().Select(id => (id, (long?)null, many.Change))])
            .Answer(changed => new ManyChanged(changed));

    private static Results<Ok<ManyChanged>, ProblemHttpResult> ChangeEach(EachChange each, PictureChanges changes) =>
        changes
            .ChangeMany([.. each.Changes.Select(c => (c.Id, (long?)c.Version, c.Change))])
            .Answer(changed => new ManyChanged(changed));

    private static Results<Ok<Merged>, ProblemHttpResult> MergeInto(
        string id,
        Merge merge,
        HttpRequest request,
        Swaps swaps
    )
    {
        if (Problems.VersionOf(request.Headers.IfMatch) is not { } version)
            return Problems.NoVersion();
        var result = swaps.Merge((id, version), (merge.Into, merge.IntoVersion));
        return result is ChangeResult<MergedPictures>.Stale stale
            ? Problems.Stale(stale.Sentence, stale.Now.Both.Select(a => FileEndpoints.ItemOf(a, 0)).ToList(), merge)
            : result.Answer(done => new Merged(done.Places));
    }
}
