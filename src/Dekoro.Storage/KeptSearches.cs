namespace Dekoro.Storage;

/// <summary>Searches that people keep under a name.</summary>
public sealed class KeptSearches(Database database)
{
    /// <summary>All of them, by name.</summary>
    public IReadOnlyList<KeptSearch> All() =>
        database.Read(c =>
            c.All("SELECT name, line FROM kept_search ORDER BY name", row => new KeptSearch(
                row.GetString(0),
                row.GetString(1)
            ))
        );

    /// <summary>Keeps a line; a name that is there already gets the new one.</summary>
    public void Keep(KeptSearch search) =>
        database.Write(c =>
            c.Run(
                "INSERT INTO kept_search (name, line) VALUES ($name, $line) ON CONFLICT (name) DO UPDATE SET "
                    + "line = excluded.line",
                ("$name", search.Name),
                ("$line", search.Line)
            )
        );

    /// <returns>False where there is none of this name.</returns>
    public bool Forget(string name) =>
        database.Write(c => c.Run("DELETE FROM kept_search WHERE name = $name", ("$name", name))) == 1;
}
