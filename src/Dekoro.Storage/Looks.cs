using System.Text.Json;
using Dekoro.Core.Geometry;
using Dekoro.Core.Twins;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>What pictures look like, which of them look the same, and which of those are not.</summary>
public sealed class Looks(Database database)
{
    /// <summary>Of all whose look was told.</summary>
    public IReadOnlyList<(string Id, LookHashes? Hashes)> All() =>
        database.Read(c =>
            c.All("SELECT asset_id, hashes FROM look", row => (row.GetString(0), LookHashes.Read((byte[])row[1])))
        );

    /// <summary>Copies of some, each with the shape of its picture.</summary>
    public IReadOnlyList<(string Id, byte[] Copy, AspectRatio Shape)> Copies(IReadOnlyCollection<string> ids) =>
        database.Read(c =>
            c.All(
                "SELECT asset.id, copy, original_width, original_height FROM look JOIN asset ON asset.id = asset_id "
                    + "WHERE asset_id IN (SELECT value FROM json_each($ids))",
                row => (row.GetString(0), (byte[])row[1], new PixelSize(row.GetInt32(2), row.GetInt32(3)).Shape),
                ("$ids", JsonSerializer.Serialize(ids))
            )
        );

    /// <summary>Records what a picture looks like; whatever looked the same before is no longer said to.</summary>
    /// <param name="copy">Empty where the picture could not be read.</param>
    public void Tell(string id, LookHashes? hashes, byte[] copy) =>
        database.Write(c =>
        {
            c.Run(
                "INSERT OR REPLACE INTO look (asset_id, hashes, copy) SELECT id, $hashes, $copy FROM asset "
                    + "WHERE id = $id",
                ("$id", id),
                ("$hashes", hashes?.ToBytes() ?? []),
                ("$copy", copy)
            );
            return c.Run("DELETE FROM twin WHERE asset_id = $id OR other_id = $id", ("$id", id));
        });

    /// <summary>Records which others look the same, but for those that somebody said are not.</summary>
    public void Pair(string id, IReadOnlyCollection<string> twins)
    {
        if (twins.Count == 0)
            return;
        database.Write(c =>
        {
            foreach (var other in twins)
                AddPair(c, id, other);
            return 0;
        });
    }

    private static void AddPair(SqliteConnection c, string id, string other) =>
        c.Run(
            """
            INSERT OR IGNORE INTO twin (asset_id, other_id)
            SELECT a.id, b.id FROM asset AS a JOIN asset AS b
            WHERE (a.id = $a AND b.id = $b OR a.id = $b AND b.id = $a)
              AND NOT EXISTS (SELECT 1 FROM not_twin WHERE asset_id = min($a, $b) AND other_id = max($a, $b))
            """,
            ("$a", id),
            ("$b", other)
        );

    /// <summary>Records that two are one picture, or are not; it holds from then on.</summary>
    public void Say(string id, string other, bool areSame) =>
        database.Write(c =>
        {
            (string, object?)[] pair = [("$a", id), ("$b", other)];
            if (areSame)
            {
                c.Run("DELETE FROM not_twin WHERE asset_id = min($a, $b) AND other_id = max($a, $b)", pair);
                AddPair(c, id, other);
                return 0;
            }
            c.Run(
                "INSERT OR IGNORE INTO not_twin (asset_id, other_id) SELECT min($a, $b), max($a, $b) "
                    + "WHERE (SELECT count(*) FROM asset WHERE id IN ($a, $b)) = 2",
                pair
            );
            return c.Run(
                "DELETE FROM twin WHERE asset_id = $a AND other_id = $b OR asset_id = $b AND other_id = $a",
                pair
            );
        });

    /// <summary>For each of the ids, those in the library that look the same.</summary>
    public ILookup<string, string> TwinsOf(IReadOnlyCollection<string> ids) =>
        database
            .Read(c =>
                c.All(
                    """
                    SELECT twin.asset_id, twin.other_id FROM twin JOIN asset ON asset.id = twin.other_id
                    WHERE twin.asset_id IN (SELECT value FROM json_each($ids)) AND asset.away_since IS NULL
                    ORDER BY asset.added_at
                    """,
                    row => (Id: row.GetString(0), Other: row.GetString(1)),
                    ("$ids", JsonSerializer.Serialize(ids))
                )
            )
            .ToLookup(t => t.Id, t => t.Other);
}
