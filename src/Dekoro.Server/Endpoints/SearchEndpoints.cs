using Dekoro.Application.Hosting;
using Dekoro.Core.Media;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>Searches that are kept under a name.</summary>
public sealed record KeptSearchList(IReadOnlyList<KeptSearch> Searches);

/// <summary>Search lines kept under names.</summary>
internal static class SearchEndpoints
{
    private const int MaxName = 60,
        MaxLine = 500,
        MaxKept = 200;

    public static void MapSearches(this IEndpointRouteBuilder api)
    {
        api.MapGet("/searches", (Workspace workspace) => new KeptSearchList(workspace.Searches.All()))
            .WithSummary("The kept searches, by name.");
        api.MapPut("/searches", Keep)
            .WithSummary("Keeps a search line under a name; a name that is there already gets the new line.");
        api.MapDelete("/searches/{name}", Forget).WithSummary("Forgets a kept search; no picture changes.");
    }

    private static Results<Ok<KeptSearchList>, ProblemHttpResult> Keep(KeptSearch search, Workspace workspace)
    {
        var (name, line) = (search.Name.Trim(), LibraryQuery.Read(search.Line).Written);
        if (name.Length is 0 or > MaxName)
            return Problems.Of(400, $"A kept search needs a name of at most {MaxName} characters.", "name");
        if (line.Length is 0 or > MaxLine)
            return Problems.Of(
                400,
                line.Length == 0
                    ? "There is nothing to keep: type words or switch filters on first."
                    : $"A search line holds at most {MaxLine} characters: shorten it.",
                "line"
            );
        if (
            workspace.Searches.All() is { Count: >= MaxKept } all
            && all.All(s => !s.Name.Equals(name, StringComparison.OrdinalIgnoreCase))
        )
            return Problems.Of(400, $"There are {MaxKept} kept searches already: forget one first.", "name");
        workspace.Searches.Keep(new(name, line));
        return TypedResults.Ok(new KeptSearchList(workspace.Searches.All()));
    }

    private static Results<Ok<KeptSearchList>, ProblemHttpResult> Forget(string name, Workspace workspace) =>
        workspace.Searches.Forget(name)
            ? TypedResults.Ok(new KeptSearchList(workspace.Searches.All()))
            : Problems.Of(404, $"No search is kept as “{name}”.");
}
