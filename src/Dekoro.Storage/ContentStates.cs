using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>The history of things of a table: every state that was kept, the newest first.</summary>
public sealed class ContentStates
{
    private readonly Database _database;
    private readonly string _owner;
    private readonly string _columns;

    internal ContentStates(Database database, string table) =>
        (_database, _owner, _columns) = (database, OwnerOf(table), TableOf(table).Columns);

    internal static StateTable TableOf(string table) => new(table + "_state", OwnerOf(table), table, "content");

    private static string OwnerOf(string table) => table + "_id";

    /// <summary>Those of one thing, the newest first.</summary>
    public IReadOnlyList<ContentState> Of(string id) =>
        _database.Read(c => c.All($"{_columns} ORDER BY version DESC", Map, ("$id", id)));

    /// <returns>Null for one that is no longer kept.</returns>
    public ContentState? Find(string id, long version) =>
        _database.Read(c =>
            c.All($"{_columns} AND version = $version", Map, ("$id", id), ("$version", version)).FirstOrDefault()
        );

    private ContentState Map(SqliteDataReader row) =>
        new(
            row.Text(_owner),
            row.Long("version"),
            row.Text("content"),
            row.Text("kept_by"),
            row.Time("began_at"),
            row.Time("kept_at")
        );
}
