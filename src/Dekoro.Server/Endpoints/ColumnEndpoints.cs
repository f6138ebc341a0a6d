using Dekoro.Application.Hosting;
using Dekoro.Application.Site;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <param name="Version">For saying with If-Match which list a change started from.</param>
public sealed record ColumnList(IReadOnlyList<string> Columns, long Version = 0);

/// <summary>Columns of the site's own for words of pictures.</summary>
internal static class ColumnEndpoints
{
    public static void MapColumns(this IEndpointRouteBuilder api)
    {
        api.MapGet("/columns", (Workspace workspace) => ListOf(workspace))
            .WithSummary("The site's own columns, in the order shown.");
        api.MapPut("/columns", Set)
            .WithSummary("Sets the own columns; what a column held is kept, and shown again when it is added anew.");
    }

    private static Results<Ok<ColumnList>, ProblemHttpResult> Set(
        ColumnList list,
        HttpRequest request,
        ColumnChanges changes
    ) =>
        Problems.VersionOf(request.Headers.IfMatch) is { } version
            ? changes.Set(list.Columns, version).Answer(now => new ColumnList(now.Names, now.Version), list)
            : Problems.NoVersion();

    private static ColumnList ListOf(Workspace workspace) =>
        workspace.OwnColumns.Find() is var (names, version) ? new(names, version) : new([]);
}
