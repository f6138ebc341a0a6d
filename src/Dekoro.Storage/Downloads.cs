using System.Globalization;
using Dekoro.Core.Media;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>Files that are no pictures, and their words.</summary>
public sealed class Downloads(Database database)
{
    private const string Columns =
        "SELECT id, sha256, file_name, kind, media_type, ending, bytes, title, description, folder, "
        + "has_own_address, added_at, added_by, version, away_since FROM download";

    /// <summary>Oldest first, those taken away too.</summary>
    public IReadOnlyList<StoredDownload> All() => database.Read(c => c.All($"{Columns} ORDER BY added_at, id", Map));

    /// <returns>Null for one that is not in the library.</returns>
    public StoredDownload? Find(string id) =>
        database.Read(c => c.All($"{Columns} WHERE id = $id", Map, ("$id", id)).FirstOrDefault());

    /// <summary>The one whose file has a SHA-256.</summary>
    public StoredDownload? FindByHash(string sha256) =>
        database.Read(c => c.All($"{Columns} WHERE sha256 = $sha", Map, ("$sha", sha256)).FirstOrDefault());

    /// <summary>A new one.</summary>
    public void Add(StoredDownload one) =>
        database.Write(c =>
            c.Run(
                """
                INSERT INTO download (id, sha256, file_name, kind, media_type, ending, bytes, title, description,
                folder, has_own_address, added_at, added_by)
                VALUES ($id, $sha, $file, $kind, $media, $ending, $bytes, $title, $description, $folder, $own, $added,
                $by)
                """,
                ("$id", one.Id),
                ("$sha", one.Sha256),
                ("$file", one.Facts.FileName),
                ("$kind", one.Facts.Type.Kind.ToString()),
                ("$media", one.Facts.Type.MediaType),
                ("$ending", one.Facts.Type.Ending),
                ("$bytes", one.Facts.Bytes),
                ("$title", one.Facts.Title),
                ("$description", one.Facts.Description),
                ("$folder", one.Facts.Folder),
                ("$own", one.Facts.HasOwnAddress ? 1 : 0),
                ("$added", one.AddedAt.ToString("o")),
                ("$by", one.AddedBy)
            )
        );

    /// <param name="awaySince">Since when it is taken away; null for in the library.</param>
    /// <returns>False where it has changed since <paramref name="version"/>, or is gone.</returns>
    public bool Change(Download facts, long version, DateTimeOffset? awaySince) =>
        database.Write(c =>
            c.Run(
                """
                UPDATE download
                SET title = $title, description = $description, folder = $folder, has_own_address = $own,
                away_since = $since, version = version + 1
                WHERE id = $id AND version = $version
                """,
                ("$id", facts.Id),
                ("$version", version),
                ("$title", facts.Title),
                ("$description", facts.Description),
                ("$folder", facts.Folder),
                ("$own", facts.HasOwnAddress ? 1 : 0),
                ("$since", awaySince?.ToUniversalTime().ToString("o"))
            )
        ) == 1;

    /// <summary>Puts one back that was taken away.</summary>
    public bool PutBack(string id) =>
        database.Write(c =>
            c.Run(
                "UPDATE download SET away_since = NULL, version = version + 1 WHERE id = $id AND away_since "
                    + "IS NOT NULL",
                ("$id", id)
            )
        ) == 1;

    /// <summary>Removes for good what was taken away before a moment, except what is still linked.</summary>
    /// <returns>The hashes of their files.</returns>
    public IReadOnlyList<string> RemoveAwaySince(DateTimeOffset before, IReadOnlySet<string> linked) =>
        database.Write(c =>
        {
            var gone = c.All(
                    $"{Columns} WHERE away_since < $before",
                    Map,
                    ("$before", before.ToUniversalTime().ToString("o"))
                )
                .Where(d => !linked.Contains(d.Id))
                .ToList();
            foreach (var one in gone)
                c.Run("DELETE FROM download WHERE id = $id", ("$id", one.Id));
            return gone.Select(g => g.Sha256).ToList();
        });

    private static StoredDownload Map(SqliteDataReader row) =>
        new(
            new Download(
                row.Text("id"),
                row.Text("file_name"),
                new(Enum.Parse<DownloadKind>(row.Text("kind")), row.Text("media_type"), row.Text("ending")),
                row.Long("bytes"),
                row.Text("title"),
                row.Text("description"),
                row.Text("folder"),
                row.Int("has_own_address") == 1
            ),
            row.Text("sha256"),
            DateTimeOffset.Parse(row.Text("added_at"), CultureInfo.InvariantCulture),
            row.Text("added_by"),
            row.Long("version"),
            row.TextOrNull("away_since") is { } away ? DateTimeOffset.Parse(away, CultureInfo.InvariantCulture) : null
        );
}
