using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Core.Planning;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>A picture as the library keeps it.</summary>
/// <param name="KeepByHand">False while the keep area is only a guess.</param>
/// <param name="OriginalSize">Of the file as it is kept, orientation applied; the facts are those of the version in use.</param>
/// <param name="Edits">Of the version in use.</param>
public sealed record Asset(
    PictureFacts Facts, string Sha256, string KeptSha256, string Colour, bool KeepByHand, string? TakenOn, DateTimeOffset AddedAt, long Version,
    PixelSize OriginalSize, Edits Edits)
{
    public string Id => Facts.Id;
}

/// <summary>Pictures and their words.</summary>
public sealed class Assets(Database database)
{
    private const string Columns = """
        SELECT asset.id, sha256, kept_sha256, asset.file_name, format, bytes, width, height, frames, has_alpha, colour, bytes_beta, bytes_gamma,
               sharpness, keep_x, keep_y, keep_w, keep_h, keep_by, asset.title, asset.alt, asset.caption, asset.description,
               asset.credit, rights, asset.folder, source, taken_on, added_at, version, original_width, original_height, edits, edition
        """;

    public Asset? Find(string id) => database.Read(c => c.All($"{Columns} FROM asset WHERE id = $id", Map, ("$id", id)).FirstOrDefault());

    /// <summary>Those of the ids that are in the library, in no order.</summary>
    public IReadOnlyList<Asset> FindMany(IReadOnlyList<string> ids) => database.Read(c => c.All(
        $"{Columns} FROM asset WHERE id IN (SELECT value FROM json_each($ids))", Map, ("$ids", System.Text.Json.JsonSerializer.Serialize(ids))));

    public Asset? FindByHash(string sha256) =>
        database.Read(c => c.All($"{Columns} FROM asset WHERE sha256 = $sha OR kept_sha256 = $sha", Map, ("$sha", sha256)).FirstOrDefault());

    public IReadOnlyList<Asset> All() => database.Read(c => c.All($"{Columns} FROM asset ORDER BY added_at DESC, asset.rowid DESC", Map));

    public long Count() => database.Read(c => c.One<long>("SELECT count(*) FROM asset"));

    /// <summary>Newest first; every word of the query must begin a word of the picture's, and every filter hold.</summary>
    /// <param name="used">Ids of the pictures that stand somewhere: what "used" and "unused" are told by.</param>
    public (IReadOnlyList<Asset> Page, long Total) Search(LibraryQuery query, IReadOnlyCollection<string> used, int skip, int take)
    {
        var (from, parameters) = SearchSql.From(query, used);
        return database.Read(c => (
            (IReadOnlyList<Asset>)c.All($"{Columns} {from} ORDER BY added_at DESC, asset.rowid DESC LIMIT $take OFFSET $skip", Map,
                [.. parameters, ("$take", take), ("$skip", skip)]),
            c.One<long>($"SELECT count(*) {from}", parameters)));
    }

    /// <summary>How many of what a query finds each further filter would leave, in the order given.</summary>
    public IReadOnlyList<long> CountsOf(LibraryQuery query, IReadOnlyList<LibraryFilter> further, IReadOnlyCollection<string> used)
    {
        var (from, parameters) = SearchSql.From(query, used);
        var (sums, more) = SearchSql.Sums(further, used);
        return database.Read(c => c.All($"SELECT {sums} {from}", row => further.Select((_, i) => row.IsDBNull(i) ? 0 : row.GetInt64(i)).ToList(), [.. parameters, .. more])[0]);
    }

    public void Add(Asset asset) => database.Write(c => c.Run("""
        INSERT INTO asset (id, sha256, kept_sha256, file_name, format, bytes, width, height, frames, has_alpha, colour, bytes_beta, bytes_gamma,
                           sharpness, keep_x, keep_y, keep_w, keep_h, keep_by, title, alt, caption, description, credit, rights, folder, source, taken_on, added_at,
                           original_width, original_height, edits, edition)
        VALUES ($id, $sha, $kept, $file, $format, $bytes, $width, $height, $frames, $alpha, $colour, $beta, $gamma,
                $sharpness, $x, $y, $w, $h, $by, $title, $alt, $caption, $description, $credit, $rights, $folder, $source, $taken, $added,
                $originalWidth, $originalHeight, $edits, $edition)
        """,
        [
            ("$id", asset.Id), ("$sha", asset.Sha256), ("$kept", asset.KeptSha256), ("$file", asset.Facts.FileName),
            ("$format", asset.Facts.Format.ToString()), ("$bytes", asset.Facts.FileBytes), ("$width", asset.Facts.Size.Width),
            ("$height", asset.Facts.Size.Height), ("$frames", asset.Facts.Frames), ("$alpha", asset.Facts.HasAlpha ? 1 : 0),
            ("$colour", asset.Colour), ("$beta", asset.Facts.Bytes.Beta), ("$gamma", asset.Facts.Bytes.Gamma),
            ("$sharpness", asset.Facts.Sharpness ?? 0.0), ("$taken", asset.TakenOn), ("$added", asset.AddedAt.ToString("o")),
            ("$originalWidth", asset.OriginalSize.Width), ("$originalHeight", asset.OriginalSize.Height),
            ("$edits", EditsText.Write(asset.Edits)), ("$edition", asset.Facts.Edition),
            .. KeepParameters(asset.Facts.Keep, asset.KeepByHand), .. WordParameters(asset.Facts.Words),
        ]));

    /// <returns>False where the picture has changed since <paramref name="version"/>, or is gone.</returns>
    public bool Change(string id, long version, Words words, KeepBox? keep, bool keepByHand) => database.Write(c => c.Run("""
        UPDATE asset
        SET title = $title, alt = $alt, caption = $caption, description = $description, credit = $credit, rights = $rights, folder = $folder, source = $source,
            keep_x = $x, keep_y = $y, keep_w = $w, keep_h = $h, keep_by = $by,
            version = version + 1
        WHERE id = $id AND version = $version
        """,
        [("$id", id), ("$version", version), .. KeepParameters(keep, keepByHand), .. WordParameters(words)])) == 1;

    public IReadOnlyList<string> Folders() =>
        database.Read(c => c.All("SELECT DISTINCT folder FROM asset WHERE folder <> '' ORDER BY folder", row => row.GetString(0)));

    internal static (string, object?)[] KeepParameters(KeepBox? keep, bool byHand) =>
        [("$x", keep?.X), ("$y", keep?.Y), ("$w", keep?.Width), ("$h", keep?.Height), ("$by", byHand ? "hand" : "guess")];

    private static (string, object?)[] WordParameters(Words words) =>
    [
        ("$title", words.Title), ("$alt", words.Alt), ("$caption", words.Caption), ("$description", words.Description),
        ("$credit", words.Credit), ("$rights", words.Rights), ("$folder", words.Folder), ("$source", words.Source),
    ];

    private static Asset Map(SqliteDataReader row) => new(
        new PictureFacts(row.Text("id"), row.Text("file_name"), Enum.Parse<PictureFormat>(row.Text("format")),
            new PixelSize(row.Int("width"), row.Int("height")), row.Int("has_alpha") == 1, row.Int("frames"), row.Long("bytes"),
            new BytesModel(row.Real("bytes_beta"), row.Real("bytes_gamma")), row.Real("sharpness"),
            row.IsNull("keep_x") ? null : new KeepBox(row.Real("keep_x"), row.Real("keep_y"), row.Real("keep_w"), row.Real("keep_h")),
            new Words(row.Text("title"), row.Text("alt"), row.Text("caption"), row.Text("description"), row.Text("credit"), row.Text("rights"), row.Text("folder"), row.Text("source")),
            row.Int("edition")),
        row.Text("sha256"), row.Text("kept_sha256"), row.Text("colour"), row.Text("keep_by") == "hand", row.TextOrNull("taken_on"),
        DateTimeOffset.Parse(row.Text("added_at"), System.Globalization.CultureInfo.InvariantCulture), row.Long("version"),
        new PixelSize(row.Int("original_width"), row.Int("original_height")), EditsText.Read(row.Text("edits")) ?? Edits.None);
}
