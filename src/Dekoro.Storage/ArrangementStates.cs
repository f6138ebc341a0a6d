using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>The history of arrangements: every state that was kept, the newest first.</summary>
public sealed class ArrangementStates(Database database)
{
    internal static StateTable Table { get; } = new("arrangement_state", "arrangement_id", "arrangement", "content");

    /// <summary>Those of an arrangement, the newest first.</summary>
    public IReadOnlyList<ArrangementState> Of(string id) =>
        database.Read(c => c.All($"{Table.Columns} ORDER BY version DESC", Map, ("$id", id)));

    /// <returns>Null for one that is no longer kept.</returns>
    public ArrangementState? Find(string id, long version) =>
        database.Read(c =>
            c.All($"{Table.Columns} AND version = $version", Map, ("$id", id), ("$version", version)).FirstOrDefault()
        );

    private static ArrangementState Map(SqliteDataReader row) =>
        new(
            row.Text("arrangement_id"),
            row.Long("version"),
            row.Text("content"),
            row.Text("kept_by"),
            row.Time("began_at"),
            row.Time("kept_at")
        );
}
