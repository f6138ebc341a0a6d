using Dekoro.Application.Hosting;
using Dekoro.Core.Media;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
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
        Workspace workspace,
        Events events
    )
    {
        if (Problems.VersionOf(request.Headers.IfMatch) is not { } version)
            return Problems.NoVersion();
        var names = list.Columns.Select(n => n.Trim()).ToList();
        if (names.Find(n => !CustomFields.IsName(n)) is { } odd)
            return Problems.Of(
                400,
                odd.Length == 0
                    ? "A column needs a name."
                    : $"“{odd}” cannot head a column: take letters, digits and spaces, at most {CustomFields.MaxName}.",
                "columns"
            );
        if (names.Distinct(StringComparer.OrdinalIgnoreCase).Count() < names.Count)
            return Problems.Of(400, "There is a column of this name already.", "columns");
        if (names.Count > OwnColumns.Max)
            return Problems.Of(400, $"There are at most {OwnColumns.Max} columns: take one out first.", "columns");
        if (workspace.OwnColumns.Set(names, version) is not { IsSet: true } set)
            return Problems.Stale(
                "The columns were changed in another window meanwhile, so nothing was done: this is how they "
                    + "stand now. Make your change again.",
                ListOf(workspace),
                list
            );
        events.Send("library", new { id = "" });
        return TypedResults.Ok(new ColumnList(set.Names, set.Version));
    }

    private static ColumnList ListOf(Workspace workspace) =>
        workspace.OwnColumns.Find() is var (names, version) ? new(names, version) : new([]);
}
