using System.Globalization;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <param name="Folder">Name of the release's folder, from its content.</param>
public sealed record Release(string Folder, DateTimeOffset PublishedAt, int Files, long Bytes);

/// <summary>What has been published, newest last.</summary>
public sealed class Releases(Database database)
{
    /// <summary>In the transaction of what is written down with it.</summary>
    public static void Add(SqliteConnection c, Release release) => c.Run(
        "INSERT INTO release (folder, published_at, files, bytes) VALUES ($folder, $at, $files, $bytes)",
        ("$folder", release.Folder), ("$at", release.PublishedAt.ToString("o")), ("$files", release.Files), ("$bytes", release.Bytes));

    /// <summary>Names of the folders, newest first.</summary>
    public IReadOnlyList<string> NewestFirst(int most) => database.Read(c =>
        c.All("SELECT folder FROM release ORDER BY id DESC LIMIT $most", row => row.GetString(0), ("$most", most)));

    public Release? Newest() => database.Read(c => c.All(
        "SELECT folder, published_at, files, bytes FROM release ORDER BY id DESC LIMIT 1",
        row => new Release(row.Text("folder"), DateTimeOffset.Parse(row.Text("published_at"), CultureInfo.InvariantCulture), row.Int("files"), row.Long("bytes")))
        .FirstOrDefault());
}
