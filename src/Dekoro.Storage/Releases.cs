using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>What has been published, newest last.</summary>
public sealed class Releases(Database database)
{
    /// <summary>In the transaction of what is written down with it.</summary>
    public static void Add(SqliteConnection c, Release release) =>
        c.Run(
            "INSERT INTO release (folder, published_at, files, bytes) VALUES ($folder, $at, $files, $bytes)",
            ("$folder", release.Folder),
            ("$at", release.PublishedAt.ToString("o")),
            ("$files", release.Files),
            ("$bytes", release.Bytes)
        );

    /// <summary>Names of the folders, newest first.</summary>
    public IReadOnlyList<string> NewestFirst(int most) =>
        database.Read(c =>
            c.All("SELECT folder FROM release ORDER BY id DESC LIMIT $most", row => row.GetString(0), ("$most", most))
        );
}
