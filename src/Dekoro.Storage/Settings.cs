namespace Dekoro.Storage;

/// <summary>What is set once for the site, as JSON by name.</summary>
public sealed class Settings(Database database)
{
    public string? Get(string name) => database.Read(c => c.One<string>("SELECT value FROM setting WHERE name = $name", ("$name", name)));

    public void Set(string name, string json) => database.Write(c => c.Run(
        "INSERT INTO setting (name, value) VALUES ($name, $value) ON CONFLICT (name) DO UPDATE SET value = excluded.value",
        ("$name", name), ("$value", json)));
}
