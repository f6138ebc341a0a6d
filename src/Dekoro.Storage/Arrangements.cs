using System.Globalization;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>Sets of pictures, latest changed first.</summary>
public sealed class Arrangements(Database database)
{
    private const string Columns = "SELECT id, content, version, changed_at FROM arrangement";

    /// <summary>All that are not taken away, the one changed last first.</summary>
    public IReadOnlyList<ArrangementRow> All() =>
        database.Read(c => c.All($"{Columns} WHERE away_since IS NULL ORDER BY changed_at DESC, id", Map));

    /// <returns>Null for one that is not there, or taken away.</returns>
    public ArrangementRow? Find(string id) =>
        database.Read(c =>
            c.All($"{Columns} WHERE id = $id AND away_since IS NULL", Map, ("$id", id)).FirstOrDefault()
        );

    /// <summary>A new one, at its first version.</summary>
    public void Add(string id, string content, DateTimeOffset now) =>
        database.Write(c =>
            c.Run(
                "INSERT INTO arrangement (id, content, changed_at) VALUES ($id, $content, $now)",
                ("$id", id),
                ("$content", content),
                ("$now", Written(now))
            )
        );

    /// <param name="isNewState">True where it does not go on with what the same person kept before.</param>
    /// <returns>False where it is no longer at <paramref name="version"/>, or gone.</returns>
    public bool Save(string id, long version, string content, KeptBy by) =>
        database.Write(c => Save(c, id, version, content, by));

    internal static bool Save(SqliteConnection c, string id, long version, string content, KeptBy by)
    {
        ArrangementStates.Table.Begin(c, id);
        var kept =
            c.Run(
                "UPDATE arrangement SET content = $content, version = version + 1, changed_at = $now WHERE id "
                    + "= $id AND version = $version AND away_since IS NULL",
                ("$id", id),
                ("$version", version),
                ("$content", content),
                ("$now", Written(by.At))
            ) == 1;
        if (kept)
            ArrangementStates.Table.Record(c, id, by.Name, by.At, by.IsNewState);
        return kept;
    }

    /// <summary>Takes one away; it waits, and nothing of it is lost.</summary>
    public bool TakeAway(string id, DateTimeOffset now) =>
        database.Write(c =>
            c.Run(
                "UPDATE arrangement SET away_since = $now WHERE id = $id AND away_since IS NULL",
                ("$id", id),
                ("$now", now.ToUniversalTime().ToString("o"))
            )
        ) == 1;

    /// <summary>Puts one back that was taken away.</summary>
    public bool PutBack(string id) =>
        database.Write(c =>
            c.Run("UPDATE arrangement SET away_since = NULL WHERE id = $id AND away_since IS NOT NULL", ("$id", id))
        ) == 1;

    /// <summary>Removes for good what was taken away before a moment.</summary>
    /// <returns>How many.</returns>
    public int RemoveAwaySince(DateTimeOffset before) =>
        database.Write(c =>
            c.Run(
                "DELETE FROM arrangement WHERE away_since < $before",
                ("$before", before.ToUniversalTime().ToString("o"))
            )
        );

    private static string Written(DateTimeOffset time) => time.ToString("o", CultureInfo.InvariantCulture);

    private static ArrangementRow Map(SqliteDataReader row) =>
        new(
            row.Text("id"),
            row.Text("content"),
            row.Long("version"),
            DateTimeOffset.Parse(row.Text("changed_at"), CultureInfo.InvariantCulture)
        );
}
