using Dekoro.Core.Library;
using Dekoro.Server.Work;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Http;

public sealed record ColumnList(IReadOnlyList<string> Columns);

/// <summary>Columns of the site's own for words of pictures.</summary>
internal static class ColumnEndpoints
{
    public static void MapColumns(this IEndpointRouteBuilder api)
    {
        api.MapGet("/columns", (Workspace workspace) => new ColumnList(workspace.OwnColumns.All())).WithSummary("The site's own columns, in the order shown.");
        api.MapPut("/columns", Set).WithSummary("Sets the own columns; what a column held is kept, and shown again when it is added anew.");
    }

    private static Results<Ok<ColumnList>, ProblemHttpResult> Set(ColumnList list, Workspace workspace, Events events)
    {
        var names = list.Columns.Select(n => n.Trim()).ToList();
        if (names.Find(n => !OwnWords.IsName(n)) is { } odd)
            return Problems.Of(400, odd.Length == 0 ? "A column needs a name." : $"“{odd}” cannot head a column: take letters, digits and spaces, at most {OwnWords.MostName}.", "columns");
        if (names.Distinct(StringComparer.OrdinalIgnoreCase).Count() < names.Count) return Problems.Of(400, "There is a column of this name already.", "columns");
        if (names.Count > OwnColumns.Most) return Problems.Of(400, $"There are at most {OwnColumns.Most} columns: take one out first.", "columns");
        workspace.OwnColumns.Set(names);
        events.Send("library", new { id = "" });
        return TypedResults.Ok(new ColumnList(names));
    }
}
