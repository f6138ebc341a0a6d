using Microsoft.Data.Sqlite;

namespace Dekoro.Bench;

/// <summary>
/// The rival: every row of the table looked at, with SQLite's own LIKE, for what is found and for the counts.
/// </summary>
internal static class Scan
{
    public static long Count(string path, string first, string second, IReadOnlyCollection<string> used)
    {
        using var connection = new SqliteConnection($"Data Source={path};Mode=ReadOnly");
        connection.Open();
        using (var mapped = connection.CreateCommand())
        {
            // As ours has it.
            mapped.CommandText = "PRAGMA mmap_size = 134217728";
            mapped.ExecuteNonQuery();
        }
        using var command = connection.CreateCommand();
        const string text =
            "' ' || replace(title, '_', ' ') || ' ' || alt || ' ' || caption || ' ' || description || ' ' || "
            + "credit || ' ' || folder || ' ' || replace(file_name, '-', ' ')";
        command.CommandText = $"""
            SELECT count(*), sum(1.0 * width / height >= 1.15), sum(1.0 * width / height <= 1 / 1.15),
            sum(id NOT IN (SELECT value FROM json_each($used))), sum(alt = ''), sum(no_title), sum(sharpness < 0.02)
            FROM asset
            WHERE {text} LIKE '% ' || $first || '%' AND {text} LIKE '% ' || $second || '%'
            AND 1.0 * width / height >= 1.15 AND width >= 1600 AND away_since IS NULL
            """;
        command.Parameters.AddWithValue("$first", first);
        command.Parameters.AddWithValue("$second", second);
        command.Parameters.AddWithValue("$used", System.Text.Json.JsonSerializer.Serialize(used));
        using var row = command.ExecuteReader();
        row.Read();
        return row.GetInt64(0);
    }
}
