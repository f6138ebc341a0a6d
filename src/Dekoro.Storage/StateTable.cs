using System.Globalization;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>
/// How one kind of thing stood before: each state with who kept it and when. What one person keeps in one go is one
/// state.
/// </summary>
/// <param name="table">Of the states: owner, version, what stood, kept_by, began_at, kept_at.</param>
/// <param name="owner">The column of it that names whose state it is.</param>
/// <param name="source">The table of the things themselves, with id, version, changed_at.</param>
/// <param name="stood">The columns of both that say how it stood.</param>
/// <param name="publishedAt">An expression over <paramref name="source"/>: nothing goes on with what was kept before
/// it.</param>
internal sealed class StateTable(string table, string owner, string source, string stood, string publishedAt = "NULL")
{
    public string Columns { get; } =
        $"SELECT {owner}, version, {stood}, kept_by, began_at, kept_at FROM {table} WHERE {owner} = $id";

    /// <summary>Before a thing is changed for the first time: how it stood until then.</summary>
    public void Begin(SqliteConnection c, string id) =>
        c.Run(
            $"""
            INSERT INTO {table} ({owner}, version, {stood}, kept_by, began_at, kept_at)
            SELECT id, version, {stood}, '', changed_at, changed_at FROM {source}
            WHERE id = $id AND NOT EXISTS (SELECT 1 FROM {table} WHERE {owner} = $id)
            """,
            ("$id", id)
        );

    /// <summary>After a thing was kept, in the same transaction.</summary>
    public void Record(SqliteConnection c, string id, string by, DateTimeOffset now, bool isNewState)
    {
        var goesOn = isNewState
            ? 0
            : c.Run(
                $"""
                UPDATE {table} SET (version, {stood}, kept_at) = (SELECT version, {stood}, $now FROM {source}
                WHERE id = $id)
                WHERE {owner} = $id AND version = (SELECT max(version) FROM {table} WHERE {owner} = $id)
                    AND kept_by = $by AND began_at > $since AND began_at > coalesce((SELECT {publishedAt}
                    FROM {source} WHERE id = $id), '')
                    AND version > (SELECT min(version) FROM {table} WHERE {owner} = $id)
                """,
                ("$id", id),
                ("$by", by),
                ("$now", Written(now)),
                ("$since", Written(now - States.OneGo))
            );
        if (goesOn > 0)
            return;
        c.Run(
            $"""
            INSERT INTO {table} ({owner}, version, {stood}, kept_by, began_at, kept_at)
            SELECT id, version, {stood}, $by, $now, $now FROM {source} WHERE id = $id
            """,
            ("$id", id),
            ("$by", by),
            ("$now", Written(now))
        );
        c.Run(
            $"DELETE FROM {table} WHERE {owner} = $id AND version NOT IN (SELECT version FROM {table} WHERE "
                + $"{owner} = $id ORDER BY version DESC LIMIT $most)",
            ("$id", id),
            ("$most", States.Max)
        );
    }

    private static string Written(DateTimeOffset time) => time.ToString("o", CultureInfo.InvariantCulture);
}

/// <summary>How long histories are and how fine.</summary>
public static class States
{
    /// <summary>What one person keeps within this time, with no publishing between, is one state.</summary>
    public static readonly TimeSpan OneGo = TimeSpan.FromMinutes(10);

    /// <summary>Of one thing; older ones go.</summary>
    public const int Max = 500;

    internal static DateTimeOffset Time(this SqliteDataReader row, string column) =>
        DateTimeOffset.Parse(row.Text(column), CultureInfo.InvariantCulture);
}
