using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>The versions of pictures. The one in use is what all places show.</summary>
public sealed class Editions(Database database)
{
    private const string Columns =
        "SELECT number, edits, width, height, bytes_beta, bytes_gamma, edge_px, keep_x, keep_y, keep_w, "
        + "keep_h, keep_by, made_at FROM edition";

    /// <summary>Oldest first, the original among them; none where nothing was ever edited.</summary>
    public IReadOnlyList<Edition> Of(string assetId) =>
        database.Read(c => c.All($"{Columns} WHERE asset_id = $id ORDER BY number", Map, ("$id", assetId)));

    /// <returns>Null for a version that is not there.</returns>
    public Edition? Find(string assetId, int number) =>
        database.Read(c =>
            c.All($"{Columns} WHERE asset_id = $id AND number = $number", Map, ("$id", assetId), ("$number", number))
                .FirstOrDefault()
        );

    /// <summary>
    /// Keeps a version and uses it everywhere. The one that was in use keeps its keep area; the original is written
    /// down the first time.
    /// </summary>
    /// <param name="replaces">A version that this one is a later state of, and that goes; null for none. The original
    /// never goes.</param>
    /// <returns>Its number; null where the picture has changed since <paramref name="version"/>.</returns>
    public int? Use(Asset now, Edition edition, int? replaces, DateTimeOffset at) =>
        database.Write(c =>
        {
            if (!IsStill(c, now))
                return (int?)null;
            KeepStateOf(c, now, at);
            if (replaces is > 0)
                c.Run(
                    "DELETE FROM edition WHERE asset_id = $id AND number = $number",
                    ("$id", now.Id),
                    ("$number", replaces)
                );
            var same = c.All(
                    $"{Columns} WHERE asset_id = $id AND edits = $edits",
                    Map,
                    ("$id", now.Id),
                    ("$edits", EditsText.Write(edition.Edits))
                )
                .FirstOrDefault();
            var number = same?.Number ?? NextNumber(c, now.Id, Math.Max(now.Facts.Edition, replaces ?? 0));
            if (same is null)
                Put(c, now.Id, edition with { Number = number }, "");
            c.Run(
                """
                UPDATE asset
                SET edits = $edits, edition = $number, width = $width, height = $height, bytes_beta = $beta,
                bytes_gamma = $gamma, edge_px = $edgePx,
                    keep_x = $x, keep_y = $y, keep_w = $w, keep_h = $h, keep_by = $by, version = version + 1
                WHERE id = $id
                """,
                Parameters(now.Id, edition with { Number = number })
            );
            return number;
        });

    private static bool IsStill(SqliteConnection c, Asset now) =>
        c.One<long>(
            "SELECT count(*) FROM asset WHERE id = $id AND version = $version",
            ("$id", now.Id),
            ("$version", now.Version)
        ) > 0;

    /// <summary>The version in use keeps what was set while it was.</summary>
    private static void KeepStateOf(SqliteConnection c, Asset now, DateTimeOffset at) =>
        Put(
            c,
            now.Id,
            new(
                now.Facts.Edition,
                now.Edits,
                now.Facts.Size,
                now.Facts.Bytes,
                now.Facts.EdgePx,
                now.Facts.Keep,
                now.KeepByHand,
                at
            ),
            "ON CONFLICT (asset_id, number) DO UPDATE SET keep_x = $x, keep_y = $y, keep_w = $w, keep_h = "
                + "$h, keep_by = $by"
        );

    /// <summary>A number is never given twice: files are named by it.</summary>
    private static int NextNumber(SqliteConnection c, string id, int least) =>
        (int)
            Math.Max(
                c.One<long>("SELECT coalesce(max(number), 0) FROM edition WHERE asset_id = $id", ("$id", id)),
                least
            ) + 1;

    private static void Put(SqliteConnection c, string assetId, Edition edition, string onConflict) =>
        c.Run(
            $"""
            INSERT INTO edition (asset_id, number, edits, width, height, bytes_beta, bytes_gamma, edge_px, keep_x,
            keep_y, keep_w, keep_h, keep_by, made_at)
            VALUES ($id, $number, $edits, $width, $height, $beta, $gamma, $edgePx, $x, $y, $w, $h, $by,
            $at) {onConflict}
            """,
            [.. Parameters(assetId, edition), ("$at", edition.MadeAt.ToString("o"))]
        );

    private static (string, object?)[] Parameters(string assetId, Edition e) =>
        [
            ("$id", assetId),
            ("$number", e.Number),
            ("$edits", EditsText.Write(e.Edits)),
            ("$width", e.Size.Width),
            ("$height", e.Size.Height),
            ("$beta", e.Bytes.Beta),
            ("$gamma", e.Bytes.Gamma),
            ("$edgePx", e.EdgePx),
            .. Assets.KeepParameters(e.Keep, e.KeepByHand),
        ];

    private static Edition Map(SqliteDataReader row) =>
        new(
            row.Int("number"),
            EditsText.Read(row.Text("edits")) ?? Edits.None,
            new PixelSize(row.Int("width"), row.Int("height")),
            new BytesModel(row.Real("bytes_beta"), row.Real("bytes_gamma")),
            row.IsNull("edge_px") ? null : row.Real("edge_px"),
            row.IsNull("keep_x")
                ? null
                : new FocalRegion(row.Real("keep_x"), row.Real("keep_y"), row.Real("keep_w"), row.Real("keep_h")),
            row.Text("keep_by") == "hand",
            DateTimeOffset.Parse(row.Text("made_at"), System.Globalization.CultureInfo.InvariantCulture)
        );
}
