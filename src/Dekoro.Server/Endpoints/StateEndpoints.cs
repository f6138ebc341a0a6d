using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Content;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>How a page or an arrangement stood at a time.</summary>
/// <param name="Version">Names the state.</param>
/// <param name="By">Who kept it; empty where nobody gave a name.</param>
/// <param name="IsNow">True for the state it is in.</param>
public sealed record StateResponse(
    long Version,
    string Title,
    string By,
    DateTimeOffset BeganAt,
    DateTimeOffset KeptAt,
    bool IsNow
);

internal static class StateEndpoints
{
    public static void MapStates(this IEndpointRouteBuilder api)
    {
        api.MapGet("/pages/{id}/states", List)
            .WithSummary("Every state that a page was kept in, the newest first, with who and when.");
        api.MapGet("/pages/{id}/states/{version}/differences", Differences)
            .WithSummary("What is otherwise on the page now than it was in a state, in sentences.");
        api.MapGet("/arrangements/{id}/states", ListOfArrangement)
            .WithSummary("Every state that an arrangement was kept in, the newest first, with who and when.");
        api.MapPost("/arrangements/{id}/states/{version}/restore", RestoreArrangement)
            .WithSummary(
                "The arrangement is as it stood then, on all pages that show it; how it stands now stays "
                    + "among the states."
            );
        api.MapPost("/pages/{id}/states/{version}/restore", Restore)
            .WithSummary("The draft is as it stood then; how it stands now stays among the states.");
    }

    private static Results<Ok<IReadOnlyList<StateResponse>>, ProblemHttpResult> ListOfArrangement(
        string id,
        Workspace workspace
    ) =>
        workspace.Arrangements.Find(id) is { } set
            ? TypedResults.Ok(ListOf(workspace.Arrangements, id, set.Version, s => ArrangementValues.Read(s).Name))
            : Problems.NoArrangement();

    /// <param name="nameOf">What a text calls its thing.</param>
    internal static IReadOnlyList<StateResponse> ListOf(
        ContentTable table,
        string id,
        long version,
        Func<string, string> nameOf
    ) =>
        [
            .. table
                .States.Of(id)
                .Select(s => new StateResponse(
                    s.Version,
                    nameOf(s.Content),
                    s.KeptBy,
                    s.BeganAt,
                    s.KeptAt,
                    s.Version == version
                )),
        ];

    private static Results<Ok<ArrangementResponse>, ProblemHttpResult> RestoreArrangement(
        string id,
        long version,
        ArrangementChanges changes,
        ArrangementPreview preview
    ) => changes.Restore(id, version).Answer(preview.There);

    private static Results<Ok<IReadOnlyList<StateResponse>>, ProblemHttpResult> List(string id, Workspace workspace) =>
        workspace.Pages.Find(id) is { } page
            ? TypedResults.Ok<IReadOnlyList<StateResponse>>([
                .. workspace
                    .States.Of(id)
                    .Select(s => new StateResponse(
                        s.Version,
                        s.Title,
                        s.KeptBy,
                        s.BeganAt,
                        s.KeptAt,
                        s.Version == page.Version
                    )),
            ])
            : Problems.NoPage();

    private static Results<Ok<IReadOnlyList<string>>, ProblemHttpResult> Differences(
        string id,
        long version,
        Workspace workspace
    )
    {
        if (workspace.Pages.Find(id) is not { } page)
            return Problems.NoPage();
        if (workspace.States.Find(id, version) is not { } state)
            return Problems.NoState();
        var (then, now) = (PlanningContext.DocumentIn(state.Draft), PlanningContext.DocumentIn(page.Draft));
        var titles = workspace
            .Assets.FindMany([.. then.Figures.Concat(now.Figures).Select(f => f.AssetId).Distinct()])
            .ToDictionary(a => a.Id, a => a.Facts.Metadata.Title);
        return TypedResults.Ok<IReadOnlyList<string>>(
            PageDifferences.Between(
                new(state.Title, page.Path, state.Summary, then),
                new(page.Title, page.Path, page.Summary, now),
                asset => titles.GetValueOrDefault(asset, "")
            )
        );
    }

    private static Results<Ok<DraftKept>, ProblemHttpResult> Restore(
        string id,
        long version,
        PageChanges changes,
        PlanningContext planning
    ) =>
        changes
            .Restore(id, version)
            .Answer(now => new DraftKept(now.Version, planning.StateOf(now), now.ChangedAt, null));
}
