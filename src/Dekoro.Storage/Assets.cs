using System.Collections.Immutable;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>Pictures and their words.</summary>
public sealed class Assets(Database database)
{
    private const string Columns = """
        SELECT asset.id, sha256, kept_sha256, asset.file_name, format, bytes, width, height, frames, has_alpha, colour,
        bytes_beta, bytes_gamma,
               edge_px, keep_x, keep_y, keep_w, keep_h, keep_by, asset.title, asset.alt, asset.caption,
               asset.description,
               asset.credit, rights, asset.folder, source, taken_on, added_at, version, original_width,
               original_height, edits, edition, away_since, asset.keywords, added_by,
               colours,
               own, own_address
        """;

    /// <returns>Null for one that is not in the library.</returns>
    public Asset? Find(string id) =>
        database.Read(c => c.All($"{Columns} FROM asset WHERE id = $id", Map, ("$id", id)).FirstOrDefault());

    /// <summary>Those of the ids that are in the library, in no order.</summary>
    public IReadOnlyList<Asset> FindMany(IReadOnlyList<string> ids) =>
        database.Read(c =>
            c.All(
                $"{Columns} FROM asset WHERE id IN (SELECT value FROM json_each($ids))",
                Map,
                ("$ids", System.Text.Json.JsonSerializer.Serialize(ids))
            )
        );

    /// <summary>The one whose file, as it came or as it is kept, has a SHA-256.</summary>
    public Asset? FindByHash(string sha256) =>
        database.Read(c =>
            c.All($"{Columns} FROM asset WHERE sha256 = $sha OR kept_sha256 = $sha", Map, ("$sha", sha256))
                .FirstOrDefault()
        );

    /// <summary>Every picture, those that are taken away too.</summary>
    public IReadOnlyList<Asset> All() =>
        database.Read(c => c.All($"{Columns} FROM asset ORDER BY added_at DESC, asset.key DESC", Map));

    /// <summary>Whether a record names a file.</summary>
    public bool IsKept(string sha256) =>
        database.Read(c =>
            c.One<long>(
                "SELECT EXISTS (SELECT 1 FROM asset WHERE kept_sha256 = $sha) OR EXISTS (SELECT 1 FROM "
                    + "download WHERE sha256 = $sha)",
                ("$sha", sha256)
            )
        ) == 1;

    /// <summary>Of every file that a picture is kept in.</summary>
    public IReadOnlyList<string> KeptHashes() =>
        database.Read(c => c.All("SELECT kept_sha256 FROM asset", row => row.GetString(0)));

    /// <summary>How many there are, without those that are taken away.</summary>
    public long Count() => database.Read(c => c.One<long>("SELECT count(*) FROM asset WHERE away_since IS NULL"));

    /// <summary>
    /// Newest first; every word of the query must begin a word of the picture's, and every filter hold.
    /// </summary>
    /// <param name="used">Ids of the pictures that stand somewhere: what "used" and "unused" are told by.</param>
    public (IReadOnlyList<Asset> Page, long Total) Search(
        LibraryQuery query,
        IReadOnlyCollection<string> used,
        int skip,
        int take
    )
    {
        var (page, total, _) = Search(query, used, skip, take, []);
        return (page, total);
    }

    /// <summary>The same, with how many of what is found each further filter would leave, in the order given.</summary>
    public (IReadOnlyList<Asset> Page, long Total, IReadOnlyList<long> Counts) Search(
        LibraryQuery query,
        IReadOnlyCollection<string> used,
        int skip,
        int take,
        IReadOnlyList<LibraryFilter> further
    )
    {
        var (from, parameters) = SearchSql.From(query, used);
        var (sums, more) = SearchSql.Sums(further, used);
        return database.Read(c =>
        {
            // Sorted by number alone: the rows themselves are wide, and only a page of them is wanted.
            var page =
                take == 0
                    ? []
                    : c.All(
                        $"""
                        {Columns} FROM asset WHERE asset.key IN (SELECT asset.key {from} ORDER BY added_at DESC,
                        asset.key DESC LIMIT $take OFFSET $skip)
                        ORDER BY added_at DESC, asset.key DESC
                        """,
                        Map,
                        [.. parameters, ("$take", take), ("$skip", skip)]
                    );
            var counts = c.All(
                $"SELECT {string.Join(", ", ["count(*)", .. sums])} {from}",
                row =>
                    Enumerable.Range(0, further.Count + 1).Select(i => row.IsDBNull(i) ? 0 : row.GetInt64(i)).ToList(),
                [.. parameters, .. more]
            )[0];
            return ((IReadOnlyList<Asset>)page, counts[0], (IReadOnlyList<long>)counts[1..]);
        });
    }

    /// <summary>
    /// All that a search finds, newest first, by no more than id and size: a hundred thousand are a few megabytes.
    /// </summary>
    public IReadOnlyList<(string Id, PixelSize Size)> Outline(LibraryQuery query, IReadOnlyCollection<string> used)
    {
        var (from, parameters) = SearchSql.From(query, used);
        return database.Read(c =>
            c.All(
                $"SELECT asset.id, width, height {from} ORDER BY added_at DESC, asset.key DESC",
                row => (row.GetString(0), new PixelSize(row.GetInt32(1), row.GetInt32(2))),
                parameters
            )
        );
    }

    /// <summary>Adds a picture.</summary>
    public void Add(Asset asset) =>
        database.Write(c =>
        {
            Insert(c, asset);
            OwnColumns.AddThoseOf(c, [asset.Facts.Metadata.Own]);
            return 0;
        });

    /// <summary>Pictures of which nobody has told what they look like.</summary>
    public IReadOnlyList<Asset> Untold() =>
        database.Read(c =>
            c.All(
                $"{Columns} FROM asset WHERE format <> 'Svg' AND NOT EXISTS (SELECT 1 FROM look WHERE asset_id = id)",
                Map
            )
        );

    /// <summary>Takes a picture away; it waits, and nothing of it is lost.</summary>
    public bool TakeAway(string id, DateTimeOffset now) => database.Write(c => TakeAway(c, id, now));

    private static bool TakeAway(SqliteConnection c, string id, DateTimeOffset now) =>
        c.Run(
            "UPDATE asset SET away_since = $now, version = version + 1 WHERE id = $id AND away_since IS NULL",
            ("$id", id),
            ("$now", now.ToUniversalTime().ToString("o"))
        ) == 1;

    /// <summary>
    /// Makes two pictures one: the one that stays gets its words and, where it has none, the other's address; the other
    /// is taken away.
    /// </summary>
    /// <param name="savePlaces">In the same transaction, before: puts the one that stays where the other stood; false
    /// undoes all.</param>
    /// <returns>False where one of the two is no longer at its version, or the places could not be changed; then
    /// nothing was done.</returns>
    public bool Merge(
        (string Id, long Version) from,
        (string Id, long Version) into,
        PictureMetadata words,
        Func<SqliteConnection, bool> savePlaces,
        DateTimeOffset now
    )
    {
        try
        {
            return database.Write(c =>
            {
                bool IsAt((string Id, long Version) one) =>
                    c.One<long>(
                        "SELECT count(*) FROM asset WHERE id = $id AND version = $version AND away_since IS NULL",
                        ("$id", one.Id),
                        ("$version", one.Version)
                    ) == 1;
                if (!IsAt(from) || !IsAt(into) || !savePlaces(c))
                    throw new OtherwiseException();
                ChangeWords(c, [(into.Id, into.Version, words)]);
                MoveAddress(c, from.Id, into.Id);
                return TakeAway(c, from.Id, now);
            });
        }
        catch (OtherwiseException)
        {
            return false;
        }
    }

    /// <summary>Undoes a transaction.</summary>
    private sealed class OtherwiseException : Exception;

    /// <summary>Puts a picture back that was taken away.</summary>
    public bool PutBack(string id) =>
        database.Write(c =>
            c.Run(
                "UPDATE asset SET away_since = NULL, version = version + 1 WHERE id = $id AND away_since IS NOT NULL",
                ("$id", id)
            )
        ) == 1;

    /// <summary>Removes for good what was taken away before a moment, except what still stands somewhere.</summary>
    /// <returns>The hashes of the files that no record names any more.</returns>
    public IReadOnlyList<string> RemoveAwaySince(DateTimeOffset before, IReadOnlyCollection<string> used) =>
        database.Write(c =>
        {
            var gone = c.All(
                "SELECT id, kept_sha256 FROM asset WHERE away_since < $before AND id NOT IN (SELECT value "
                    + "FROM json_each($used))",
                row => (Id: row.GetString(0), Hash: row.GetString(1)),
                ("$before", before.ToUniversalTime().ToString("o")),
                ("$used", System.Text.Json.JsonSerializer.Serialize(used))
            );
            foreach (var (id, _) in gone)
                c.Run("DELETE FROM asset WHERE id = $id", ("$id", id));
            return gone.Select(g => g.Hash).ToList();
        });

    /// <summary>Changes the words of several pictures in one step.</summary>
    /// <returns>How many: those that have changed since their version are left as they are.</returns>
    public int ChangeWords(IReadOnlyCollection<(string Id, long Version, PictureMetadata Words)> changes) =>
        database.Write(c =>
        {
            OwnColumns.AddThoseOf(c, changes.Select(change => change.Words.Own));
            return ChangeWords(c, changes);
        });

    private static int ChangeWords(
        SqliteConnection c,
        IReadOnlyCollection<(string Id, long Version, PictureMetadata Words)> changes
    ) =>
        changes.Sum(change =>
            c.Run(
                """
                UPDATE asset
                SET title = $title, alt = $alt, caption = $caption, description = $description, credit = $credit,
                rights = $rights, folder = $folder, source = $source,
                    keywords = $keywords, own = $own, no_title = says_nothing($title),
                    version = version + 1
                WHERE id = $id AND version = $version
                """,
                [("$id", change.Id), ("$version", change.Version), .. WordParameters(change.Words)]
            )
        );

    private static void Insert(SqliteConnection c, Asset asset) =>
        c.Run(
            """
            INSERT INTO asset (id, sha256, kept_sha256, file_name, format, bytes, width, height, frames, has_alpha,
            colour, bytes_beta, bytes_gamma,
                               edge_px, keep_x, keep_y, keep_w, keep_h, keep_by, title, alt, caption, description,
                               credit, rights, folder, source, taken_on, added_at,
                               original_width, original_height, edits, edition,
                               keywords,
                               no_title, added_by, colours, own)
            VALUES ($id, $sha, $kept, $file, $format, $bytes, $width, $height, $frames, $alpha, $colour, $beta, $gamma,
                    $edgePx, $x, $y, $w, $h, $by, $title, $alt, $caption, $description, $credit, $rights, $folder,
                    $source, $taken, $added,
                    $originalWidth, $originalHeight, $edits, $edition, $keywords,
                    says_nothing($title), $addedBy, $colours, $own)
            """,
            [
                ("$id", asset.Id),
                ("$sha", asset.Sha256),
                ("$kept", asset.KeptSha256),
                ("$file", asset.Facts.FileName),
                ("$format", asset.Facts.Format.ToString()),
                ("$bytes", asset.Facts.FileBytes),
                ("$width", asset.Facts.Size.Width),
                ("$height", asset.Facts.Size.Height),
                ("$frames", asset.Facts.Frames),
                ("$alpha", asset.Facts.HasAlpha ? 1 : 0),
                ("$colour", asset.Colour),
                ("$beta", asset.Facts.Bytes.Beta),
                ("$gamma", asset.Facts.Bytes.Gamma),
                ("$edgePx", asset.Facts.EdgePx),
                ("$taken", asset.TakenOn),
                ("$added", asset.AddedAt.ToString("o")),
                ("$originalWidth", asset.OriginalSize.Width),
                ("$originalHeight", asset.OriginalSize.Height),
                ("$edits", EditsText.Write(asset.Edits)),
                ("$edition", asset.Facts.Edition),
                ("$addedBy", asset.AddedBy),
                ("$colours", Written(asset.Colours)),
                .. KeepParameters(asset.Facts.Keep, asset.KeepByHand),
                .. WordParameters(asset.Facts.Metadata),
            ]
        );

    /// <param name="address">Gives it an address of its own, chosen from those that are not taken, or takes that; null
    /// leaves it.</param>
    /// <returns>False where the picture has changed since <paramref name="version"/>, or is gone.</returns>
    public bool Change(
        string id,
        long version,
        PictureMetadata words,
        FocalRegion? keep,
        bool keepByHand,
        AddressChange? address = null
    ) =>
        database.Write(c =>
        {
            if (!Change(c, id, version, words, keep, keepByHand))
                return false;
            if (address?.Choose is { } choose)
                GiveAddress(c, id, choose);
            else if (address is not null)
                SetAddress(c, id, null);
            return true;
        });

    private static bool Change(
        SqliteConnection c,
        string id,
        long version,
        PictureMetadata words,
        FocalRegion? keep,
        bool keepByHand
    ) =>
        c.Run(
            """
            UPDATE asset
            SET title = $title, alt = $alt, caption = $caption, description = $description, credit = $credit,
            rights = $rights, folder = $folder, source = $source,
                keywords = $keywords, own = $own, no_title = says_nothing($title),
                keep_x = $x, keep_y = $y, keep_w = $w, keep_h = $h, keep_by = $by,
                version = version + 1
            WHERE id = $id AND version = $version
            """,
            [("$id", id), ("$version", version), .. KeepParameters(keep, keepByHand), .. WordParameters(words)]
        ) == 1;

    /// <summary>Those that have an address of their own on the public site.</summary>
    public IReadOnlyList<Asset> WithOwnAddress() =>
        database.Read(c =>
            c.All($"{Columns} FROM asset WHERE own_address IS NOT NULL AND away_since IS NULL ORDER BY id", Map)
        );

    /// <summary>
    /// Gives a picture an address that none has, those taken away included; chosen and kept in one step.
    /// </summary>
    /// <param name="choose">From the addresses that are taken.</param>
    private static void GiveAddress(SqliteConnection c, string id, Func<IReadOnlySet<string>, string> choose)
    {
        if (c.One<string>("SELECT own_address FROM asset WHERE id = $id", ("$id", id)) is not null)
            return;
        var taken = c.All("SELECT own_address FROM asset WHERE own_address IS NOT NULL", row => row.GetString(0))
            .ToHashSet(StringComparer.Ordinal);
        SetAddress(c, id, choose(taken));
    }

    /// <summary>
    /// The address of one goes to another that has none: whoever was given it meets the same picture.
    /// </summary>
    private static void MoveAddress(SqliteConnection c, string fromId, string toId)
    {
        string? AddressOf(string id) => c.One<string>("SELECT own_address FROM asset WHERE id = $id", ("$id", id));
        if (AddressOf(fromId) is not { } address || AddressOf(toId) is not null)
            return;
        SetAddress(c, fromId, null);
        SetAddress(c, toId, address);
    }

    private static int SetAddress(SqliteConnection c, string id, string? address) =>
        c.Run(
            "UPDATE asset SET own_address = $address, version = version + 1 WHERE id = $id",
            ("$id", id),
            ("$address", address)
        );

    /// <summary>Names of those who added pictures.</summary>
    public IReadOnlyList<string> People() =>
        database.Read(c =>
            c.All(
                "SELECT DISTINCT added_by FROM asset WHERE added_by <> '' AND away_since IS NULL ORDER BY added_by",
                row => row.GetString(0)
            )
        );

    /// <summary>Those whose colours were never told.</summary>
    public IReadOnlyList<Asset> Colourless() =>
        database.Read(c => c.All($"{Columns} FROM asset WHERE colours IS NULL", Map));

    /// <summary>Records the colours that a picture is found by.</summary>
    public void TellColours(string id, ImmutableArray<string> colours) =>
        database.Write(c =>
            c.Run("UPDATE asset SET colours = $colours WHERE id = $id", ("$id", id), ("$colours", Written(colours)))
        );

    /// <summary>Pictures whose edges nobody has measured yet.</summary>
    public IReadOnlyList<Asset> Unmeasured() =>
        database.Read(c => c.All($"{Columns} FROM asset WHERE edge_px IS NULL AND format <> 'Svg'", Map));

    /// <summary>Records how wide the sharpest edges of a version are, where it is still the one in use.</summary>
    public void TellEdges(string id, int edition, double edgePx) =>
        database.Write(c =>
            c.Run(
                "UPDATE asset SET edge_px = $px WHERE id = $id AND edition = $edition",
                ("$id", id),
                ("$edition", edition),
                ("$px", edgePx)
            )
        );

    /// <summary>Pictures of which an earlier version guessed the keep area.</summary>
    public IReadOnlyList<Asset> GuessedBefore() =>
        database.Read(c => c.All($"{Columns} FROM asset WHERE keep_asked = 1", Map));

    /// <summary>Records what is guessed now of a version, where it is still in use and nobody drew it.</summary>
    public void TellKeep(string id, int edition, FocalRegion? keep) =>
        database.Write(c =>
        {
            c.Run(
                """
                UPDATE asset SET keep_x = $x, keep_y = $y, keep_w = $w, keep_h = $h
                WHERE id = $id AND edition = $edition AND keep_by = $by
                """,
                [("$id", id), ("$edition", edition), .. KeepParameters(keep, byHand: false)]
            );
            return c.Run("UPDATE asset SET keep_asked = 0 WHERE id = $id", ("$id", id));
        });

    /// <summary>The folders that pictures lie in, by name.</summary>
    public IReadOnlyList<string> Folders() =>
        database.Read(c =>
            c.All("SELECT DISTINCT folder FROM asset WHERE folder <> '' AND away_since IS NULL ORDER BY folder", row =>
                row.GetString(0)
            )
        );

    internal static (string, object?)[] KeepParameters(FocalRegion? keep, bool byHand) =>
        [
            ("$x", keep?.X),
            ("$y", keep?.Y),
            ("$w", keep?.Width),
            ("$h", keep?.Height),
            ("$by", byHand ? "hand" : "guess"),
        ];

    private static (string, object?)[] WordParameters(PictureMetadata words) =>
        [
            ("$title", words.Title),
            ("$alt", words.Alt),
            ("$caption", words.Caption),
            ("$description", words.Description),
            ("$credit", words.Credit),
            ("$rights", words.Rights),
            ("$folder", words.Folder),
            ("$source", words.Source),
            ("$keywords", words.Keywords),
            ("$own", OwnColumns.Write(words.Own)),
        ];

    private static Asset Map(SqliteDataReader row) =>
        new(
            new PictureFacts(
                row.Text("id"),
                new(
                    row.Text("file_name"),
                    Enum.Parse<PictureFormat>(row.Text("format")),
                    row.Int("has_alpha") == 1,
                    row.Int("frames"),
                    row.Long("bytes")
                ),
                new PixelSize(row.Int("width"), row.Int("height")),
                new BytesModel(row.Real("bytes_beta"), row.Real("bytes_gamma")),
                row.IsNull("edge_px") ? null : row.Real("edge_px"),
                row.IsNull("keep_x")
                    ? null
                    : new FocalRegion(row.Real("keep_x"), row.Real("keep_y"), row.Real("keep_w"), row.Real("keep_h")),
                new PictureMetadata(
                    row.Text("title"),
                    row.Text("alt"),
                    row.Text("caption"),
                    row.Text("description"),
                    row.Text("credit"),
                    row.Text("rights"),
                    row.Text("folder"),
                    row.Text("source"),
                    row.Text("keywords")
                )
                {
                    Own = OwnColumns.Read(row.Text("own")),
                },
                row.Int("edition")
            )
            {
                IsKeepDrawn = row.Text("keep_by") == "hand",
            },
            row.Text("sha256"),
            row.Text("kept_sha256"),
            row.Text("colour"),
            row.TextOrNull("taken_on"),
            DateTimeOffset.Parse(row.Text("added_at"), System.Globalization.CultureInfo.InvariantCulture),
            row.Long("version"),
            new PixelSize(row.Int("original_width"), row.Int("original_height")),
            EditsText.Read(row.Text("edits")) ?? Edits.None,
            null,
            row.TextOrNull("away_since") is { } away
                ? DateTimeOffset.Parse(away, System.Globalization.CultureInfo.InvariantCulture)
                : null,
            row.Text("added_by"),
            row.TextOrNull("colours") is { } colours
                ? [.. colours.Split(' ', StringSplitOptions.RemoveEmptyEntries)]
                : null,
            row.TextOrNull("own_address")
        );

    /// <summary>With a space round each name, so that one is found whole.</summary>
    private static string? Written(ImmutableArray<string>? colours) =>
        colours is { } names ? $" {string.Join(' ', names)} " : null;
}
