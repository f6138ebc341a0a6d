using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>What is set once for the site, as JSON by name.</summary>
public sealed class Settings(Database database)
{
    /// <returns>Its value; null where it is not set.</returns>
    public string? Get(string name) => Find(name).Json;

    /// <summary>With the version that a change starts from.</summary>
    public Setting Find(string name) => database.Read(c => Find(c, name));

    /// <summary>Sets it, whatever there was.</summary>
    public void Set(string name, string json) => database.Write(c => Set(c, name, json));

    /// <summary>Works out what is to stand from what stands, with nobody between.</summary>
    /// <param name="change">Null leaves it as it is.</param>
    /// <returns>How it stands then.</returns>
    public Setting Change(string name, Func<Setting, string?> change) =>
        database.Write(c =>
        {
            if (change(Find(c, name)) is { } json)
                Set(c, name, json);
            return Find(c, name);
        });

    /// <summary>Within a transaction that changes more.</summary>
    public static int Remove(SqliteConnection c, string name) =>
        c.Run("DELETE FROM setting WHERE name = $name", ("$name", name));

    /// <summary>As it was before it was ever set.</summary>
    public void Remove(string name) => database.Write(c => Remove(c, name));

    /// <summary>The same within a transaction.</summary>
    internal static Setting Find(SqliteConnection c, string name) =>
        c.All(
                "SELECT value, version FROM setting WHERE name = $name",
                row => new Setting(row.Text("value"), row.Long("version")),
                ("$name", name)
            )
            .FirstOrDefault()
        ?? new(null, 0);

    /// <summary>The same, written only where it is another.</summary>
    public static void SetWhereOther(SqliteConnection c, string name, string json)
    {
        if (Find(c, name).Json != json)
            Set(c, name, json);
    }

    /// <summary>Within a transaction that changes more.</summary>
    public static int Set(SqliteConnection c, string name, string json) =>
        c.Run(
            """
            INSERT INTO setting (name, value) VALUES ($name, $value)
            ON CONFLICT (name) DO UPDATE SET value = excluded.value, version = version + 1
            """,
            ("$name", name),
            ("$value", json)
        );
}
