using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>The history of pages: every state that was kept, the newest first.</summary>
public sealed class PageStates(Database database)
{
    internal static StateTable Table { get; } =
        new("page_state", "page_id", "page", "title, summary, draft", "published_at");

    /// <summary>Those of a page, the newest first.</summary>
    public IReadOnlyList<PageState> Of(string pageId) =>
        database.Read(c => c.All($"{Table.Columns} ORDER BY version DESC", Map, ("$id", pageId)));

    /// <returns>Null for one that is no longer kept.</returns>
    public PageState? Find(string pageId, long version) =>
        database.Read(c =>
            c.All($"{Table.Columns} AND version = $version", Map, ("$id", pageId), ("$version", version))
                .FirstOrDefault()
        );

    private static PageState Map(SqliteDataReader row) =>
        new(
            row.Text("page_id"),
            row.Long("version"),
            row.Text("title"),
            row.Text("summary"),
            row.Text("draft"),
            row.Text("kept_by"),
            row.Time("began_at"),
            row.Time("kept_at")
        );
}
