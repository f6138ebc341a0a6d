using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>One picture for another, everywhere at once.</summary>
internal static class SwapEndpoints
{
    public static void MapSwaps(this IEndpointRouteBuilder api)
    {
        api.MapGet("/files/{id}/swap", Preview)
            .WithSummary("How another picture would stand in every place of this one.");
        api.MapPost("/files/{id}/swap", Carry)
            .WithSummary(
                "Puts another picture into all drafts where this one stands, or into the places named; "
                    + "answers with what undoes it."
            );
    }

    private static Results<Ok<IReadOnlyList<SwapPlace>>, ProblemHttpResult> Preview(
        string id,
        string with,
        Workspace workspace,
        PlanningContext planning
    )
    {
        if (workspace.Assets.Find(id) is not { } from || workspace.Assets.Find(with) is not { } to)
            return Problems.NoPicture();
        var layout = new PageLayout(workspace.Style.Current);
        return TypedResults.Ok<IReadOnlyList<SwapPlace>>([
            .. planning
                .PlacesByPicture()[id]
                .Select(p => new SwapPlace(
                    p.Page.Id,
                    p.Page.Title,
                    p.Figure.Id,
                    FileEndpoints.SizeOf(p.Figure.Size),
                    FileEndpoints.ThroughOf(
                        TrialPlacement.Of(from.Facts, p.Stand.SlotOf(from.Facts), p.Figure.Cut, layout)
                    ),
                    FileEndpoints.ThroughOf(TrialPlacement.Of(to.Facts, p.Stand.SlotOf(to.Facts), p.Figure.Cut, layout))
                )),
        ]);
    }

    private static Results<Ok<Swapped>, ProblemHttpResult> Carry(
        string id,
        Swap swap,
        Workspace workspace,
        PlanningContext planning,
        Swaps swaps,
        Events events,
        BackgroundWork background
    )
    {
        if (workspace.Assets.Find(swap.With) is null)
            return Problems.NoPicture();
        if (swap.With == id)
            return Problems.Of(400, "That is the picture that stands there already: choose another.", "with");
        var named = swap.Places?.ToDictionary(p => (p.PageId, p.BlockId), p => p.Alt);
        var places = planning
            .PlacesByPicture()[id]
            .Where(p => named is null || named.ContainsKey((p.Page.Id, p.Figure.Id)))
            .ToList();
        if (places.Count == 0)
            return Problems.Of(409, "This picture stands nowhere any more, so nothing was swapped.");
        if (
            swaps.Carry(id, swap.With, [.. places.Select(p => (p.Page, p.Figure.Id, named?[(p.Page.Id, p.Figure.Id)]))])
            is not { } pages
        )
            return Problems.Of(409, "A page was changed at the same moment, so nothing was swapped: try it again.");
        events.Send("library", new { id });
        background.Prepare();
        return TypedResults.Ok(
            new Swapped(
                places.Count,
                pages,
                new Swap(id, [.. places.Select(p => new SwappedPlace(p.Page.Id, p.Figure.Id, p.Figure.Alt.Own))])
            )
        );
    }
}
