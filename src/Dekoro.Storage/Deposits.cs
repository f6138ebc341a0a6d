using System.Globalization;
using System.Text.Json;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>What is handed to the archive.</summary>
public sealed class Deposits(Database database)
{
    private const string Columns =
        "SELECT asset_id, state, asked_by, asked_at, next_at, tries, sentence, service, object, words, handed_at "
        + "FROM deposit";

    /// <returns>Null for one that nobody asked to hand over.</returns>
    public Deposit? Find(string assetId) =>
        database.Read(c => c.All($"{Columns} WHERE asset_id = $id", Map, ("$id", assetId)).FirstOrDefault());

    /// <summary>Those of these pictures that are to go or went.</summary>
    public IReadOnlyList<Deposit> Of(IReadOnlyCollection<string> assetIds) =>
        database.Read(c =>
            c.All(
                $"{Columns} WHERE asset_id IN (SELECT value FROM json_each($ids))",
                Map,
                ("$ids", JsonSerializer.Serialize(assetIds))
            )
        );

    /// <summary>All in a state, the one that is due first first.</summary>
    public IReadOnlyList<Deposit> In(DepositState state) =>
        database.Read(c =>
            c.All($"{Columns} WHERE state = $state ORDER BY next_at, asset_id", Map, ("$state", Written(state)))
        );

    /// <summary>When the next one that waits is due; null where none waits.</summary>
    public DateTimeOffset? NextDue() =>
        database.Read(c =>
            c.One<string>("SELECT min(next_at) FROM deposit WHERE state = 'waiting'") is { } next
                ? DateTimeOffset.Parse(next, CultureInfo.InvariantCulture)
                : (DateTimeOffset?)null
        );

    /// <summary>Those that went since a moment.</summary>
    public IReadOnlyList<Deposit> HandedSince(DateTimeOffset since) =>
        database.Read(c =>
            c.All($"{Columns} WHERE state = 'handed' AND handed_at > $since", Map, ("$since", Written(since)))
        );

    /// <summary>Adds one, unless it is there or the picture is not.</summary>
    /// <returns>Whether it was added.</returns>
    public bool Add(Deposit deposit) =>
        database.Write(c =>
            c.Run(
                """
                INSERT OR IGNORE INTO deposit
                SELECT id, $state, $by, $asked, $next, $tries, $sentence, $service, $object, $words, $handed
                FROM asset WHERE id = $id
                """,
                Parameters(deposit)
            )
        ) == 1;

    /// <summary>How it stands now; one that was taken out meanwhile stays out.</summary>
    public void Change(Deposit deposit) =>
        database.Write(c =>
            c.Run(
                """
                UPDATE deposit SET state = $state, asked_by = $by, asked_at = $asked, next_at = $next, tries = $tries,
                sentence = $sentence, service = $service, object = $object, words = $words, handed_at = $handed
                WHERE asset_id = $id
                """,
                Parameters(deposit)
            )
        );

    /// <summary>Takes one out that was not handed over yet.</summary>
    /// <returns>Whether there was one.</returns>
    public bool Remove(string assetId) =>
        database.Write(c => c.Run("DELETE FROM deposit WHERE asset_id = $id AND handed_at IS NULL", ("$id", assetId)))
        == 1;

    /// <summary>All that wait are due now, as if they had never been tried.</summary>
    public void Hasten(DateTimeOffset now) =>
        database.Write(c =>
            c.Run("UPDATE deposit SET next_at = $now, tries = 0 WHERE state = 'waiting'", ("$now", Written(now)))
        );

    private static (string, object?)[] Parameters(Deposit d) =>
        [
            ("$id", d.AssetId),
            ("$state", Written(d.State)),
            ("$by", d.AskedBy),
            ("$asked", Written(d.AskedAt)),
            ("$next", Written(d.NextAt)),
            ("$tries", d.Tries),
            ("$sentence", d.Sentence),
            ("$service", d.There.Service),
            ("$object", d.There.Object),
            ("$words", d.There.Words),
            ("$handed", d.There.HandedAt is { } at ? Written(at) : null),
        ];

    private static string Written(DepositState state) => state.ToString().ToLowerInvariant();

    private static string Written(DateTimeOffset time) =>
        time.ToUniversalTime().ToString("o", CultureInfo.InvariantCulture);

    private static Deposit Map(SqliteDataReader row) =>
        new(
            row.Text("asset_id"),
            Enum.Parse<DepositState>(row.Text("state"), ignoreCase: true),
            row.Text("asked_by"),
            row.Time("asked_at"),
            row.Time("next_at"),
            row.Int("tries"),
            row.Text("sentence"),
            new(
                row.Text("service"),
                row.Text("object"),
                row.Text("words"),
                row.IsNull("handed_at") ? null : row.Time("handed_at")
            )
        );
}
