namespace Dekoro.Storage;

/// <summary>Banners, those before others first.</summary>
public sealed class Banners(Database database) : ContentTable(database, "banner", "position, id")
{
    private readonly Database _database = database;

    /// <summary>Another text whenever one of them, or their order, is another.</summary>
    public string Mark =>
        _database.Read(c =>
            c.One<string?>(
                "SELECT group_concat(id || '.' || version, ' ') FROM (SELECT id, version FROM banner WHERE "
                    + "away_since IS NULL ORDER BY position, id)"
            )
        ) ?? "";

    /// <summary>Puts one before all others.</summary>
    public void PutFirst(string id) =>
        _database.Write(c =>
            c.Run("UPDATE banner SET position = (SELECT min(position) - 1 FROM banner) WHERE id = $id", ("$id", id))
        );

    /// <summary>Puts them into an order; one that is not named stays where it is.</summary>
    public void PutInOrder(IReadOnlyList<string> ids) =>
        _database.Write(c =>
        {
            foreach (var (id, position) in ids.Select((id, i) => (id, i)))
                c.Run("UPDATE banner SET position = $position WHERE id = $id", ("$id", id), ("$position", position));
            return ids.Count;
        });
}
