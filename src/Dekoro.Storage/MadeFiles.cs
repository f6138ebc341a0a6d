using System.Globalization;

namespace Dekoro.Storage;

/// <summary>Files that were made of pictures: what each is when it is whole, and when it was last asked for.</summary>
public sealed class MadeFiles(Database database)
{
    /// <returns>Null for one that is not recorded.</returns>
    public MadeFile? Find(string name) => FindMany([name]).FirstOrDefault();

    /// <summary>Those of some names that are recorded.</summary>
    public IReadOnlyList<MadeFile> FindMany(IReadOnlyCollection<string> names) =>
        database.Read(c =>
            c.All(
                "SELECT name, bytes, sha256 FROM made_file WHERE name IN (SELECT value FROM json_each($names))",
                row => new MadeFile(row.Text("name"), row.Long("bytes"), row.Text("sha256")),
                ("$names", System.Text.Json.JsonSerializer.Serialize(names))
            )
        );

    /// <summary>Writes down files that are whole and flushed.</summary>
    public void Record(IEnumerable<MadeFile> files, DateOnly today) =>
        database.Write(c =>
            files.Sum(file =>
                c.Run(
                    """
                    INSERT INTO made_file (name, bytes, sha256, asked_on) VALUES ($name, $bytes, $sha, $today)
                    ON CONFLICT (name) DO UPDATE SET bytes = excluded.bytes, sha256 = excluded.sha256,
                    asked_on = excluded.asked_on
                    """,
                    ("$name", file.Name),
                    ("$bytes", file.Bytes),
                    ("$sha", file.Sha256),
                    ("$today", Written(today))
                )
            )
        );

    /// <summary>Something asks for them on this day; written once a day.</summary>
    public void Ask(IReadOnlyCollection<string> names, DateOnly today)
    {
        var (json, day) = (System.Text.Json.JsonSerializer.Serialize(names), Written(today));
        const string those = "name IN (SELECT value FROM json_each($names)) AND asked_on <> $today";
        // Most days most of them were asked for already, and a read waits for no writer.
        if (
            database.Read(c =>
                c.One<long>($"SELECT count(*) FROM made_file WHERE {those}", ("$names", json), ("$today", day))
            ) == 0
        )
            return;
        database.Write(c =>
            c.Run($"UPDATE made_file SET asked_on = $today WHERE {those}", ("$names", json), ("$today", day))
        );
    }

    /// <summary>Takes out those that nothing has asked for since a day.</summary>
    /// <returns>Their names.</returns>
    public IReadOnlyList<string> RemoveNotAskedSince(DateOnly day) =>
        database.Write(c =>
        {
            var gone = c.All(
                "SELECT name FROM made_file WHERE asked_on < $day",
                row => row.GetString(0),
                ("$day", Written(day))
            );
            c.Run("DELETE FROM made_file WHERE asked_on < $day", ("$day", Written(day)));
            return gone;
        });

    /// <summary>The names of all that are recorded.</summary>
    public IReadOnlySet<string> Names() =>
        database
            .Read(c => c.All("SELECT name FROM made_file", row => row.GetString(0)))
            .ToHashSet(StringComparer.Ordinal);

    private static string Written(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
}
