using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
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
                .Used.Places[id]
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

    private static Results<Ok<Swapped>, ProblemHttpResult> Carry(string id, Swap swap, Swaps swaps) =>
        swaps
            .Replace(id, swap.With, swap.Places?.ToDictionary(p => (p.PageId, p.BlockId), p => p.Alt))
            .Answer(done => new Swapped(
                done.Was.Count,
                done.Pages,
                new Swap(id, [.. done.Was.Select(p => new SwappedPlace(p.PageId, p.BlockId, p.Alt))])
            ));
}
