using System.Globalization;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>Things of one kind that are kept as one text each, with their history.</summary>
/// <param name="table">With id, content, version, changed_at, away_since; its states stand in one of its own.</param>
/// <param name="order">In which they are listed.</param>
public class ContentTable(Database database, string table, string order)
{
    /// <summary>Its name.</summary>
    public string Name => table;

    private string Columns { get; } = $"SELECT id, content, version, changed_at FROM {table}";

    /// <summary>How they stood earlier.</summary>
    public ContentStates States { get; } = new(database, table);

    /// <summary>All that are not taken away, in their order.</summary>
    public IReadOnlyList<ContentRow> All() =>
        database.Read(c => c.All($"{Columns} WHERE away_since IS NULL ORDER BY {order}", Map));

    /// <returns>Null for one that is not there, or taken away.</returns>
    public ContentRow? Find(string id) =>
        database.Read(c =>
            c.All($"{Columns} WHERE id = $id AND away_since IS NULL", Map, ("$id", id)).FirstOrDefault()
        );

    /// <summary>A new one, at its first version.</summary>
    public void Add(string id, string content, DateTimeOffset now) =>
        database.Write(c =>
            c.Run(
                $"INSERT INTO {table} (id, content, changed_at) VALUES ($id, $content, $now)",
                ("$id", id),
                ("$content", content),
                ("$now", Written(now))
            )
        );

    /// <param name="isNewState">True where it does not go on with what the same person kept before.</param>
    /// <returns>False where it is no longer at <paramref name="version"/>, or gone.</returns>
    public bool Save(string id, long version, string content, KeptBy by) =>
        database.Write(c => Save(c, table, id, version, content, by));

    internal static bool Save(SqliteConnection c, string table, string id, long version, string content, KeptBy by)
    {
        var states = ContentStates.TableOf(table);
        states.Begin(c, id);
        var kept =
            c.Run(
                $"UPDATE {table} SET content = $content, version = version + 1, changed_at = $now WHERE id "
                    + "= $id AND version = $version AND away_since IS NULL",
                ("$id", id),
                ("$version", version),
                ("$content", content),
                ("$now", Written(by.At))
            ) == 1;
        if (kept)
            states.Record(c, id, by.Name, by.At, by.IsNewState);
        return kept;
    }

    /// <summary>Takes one away; it waits, and nothing of it is lost.</summary>
    public bool TakeAway(string id, DateTimeOffset now) =>
        database.Write(c =>
            c.Run(
                $"UPDATE {table} SET away_since = $now WHERE id = $id AND away_since IS NULL",
                ("$id", id),
                ("$now", now.ToUniversalTime().ToString("o"))
            )
        ) == 1;

    /// <summary>Puts one back that was taken away.</summary>
    public bool PutBack(string id) =>
        database.Write(c =>
            c.Run($"UPDATE {table} SET away_since = NULL WHERE id = $id AND away_since IS NOT NULL", ("$id", id))
        ) == 1;

    /// <summary>Removes for good what was taken away before a moment.</summary>
    /// <returns>How many.</returns>
    public int RemoveAwaySince(DateTimeOffset before) =>
        database.Write(c =>
            c.Run(
                $"DELETE FROM {table} WHERE away_since < $before",
                ("$before", before.ToUniversalTime().ToString("o"))
            )
        );

    private static string Written(DateTimeOffset time) => time.ToString("o", CultureInfo.InvariantCulture);

    private static ContentRow Map(SqliteDataReader row) =>
        new(
            row.Text("id"),
            row.Text("content"),
            row.Long("version"),
            DateTimeOffset.Parse(row.Text("changed_at"), CultureInfo.InvariantCulture)
        );
}
