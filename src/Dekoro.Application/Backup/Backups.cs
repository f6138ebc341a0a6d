using System.Globalization;
using System.Runtime.InteropServices;
using System.Security.Cryptography;
using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Application.Publication;
using Dekoro.Storage;
using Microsoft.Data.Sqlite;

namespace Dekoro.Application.Backup;

/// <summary>
/// Backups: the database at one moment, the originals that it names, the public site, and at last a list of all with
/// their hashes, in the form that <c>sha256sum -c</c> reads. A backup without its list broke off, and is none.
/// </summary>
public static class Backups
{
    private const string ListName = "manifest.sha256",
        Live = "live";
    private const int Tries = 3;

    /// <summary>Makes one in a folder of its own, while Dekoro runs.</summary>
    /// <exception cref="IOException">There is nothing to copy, or no room.</exception>
    public static BackupMade Make(string data, string into, TimeProvider clock)
    {
        if (!File.Exists(Path.Combine(data, Workspace.DatabaseName)))
            throw new IOException($"There is no {Workspace.DatabaseName} in {data}: give the data folder with --data.");
        var folder = Path.Combine(
            into,
            clock.GetUtcNow().ToString("yyyy-MM-dd'T'HHmmss'Z'", CultureInfo.InvariantCulture)
        );
        if (Directory.Exists(folder))
            throw new IOException($"{folder} is there already: wait a second, then try again.");
        DiskLayer.Instance.MakeFolder(folder);
        // The public site first: a release that is named goes on lying there, and is taken file by file.
        CopySite(Path.Combine(data, Live), Path.Combine(folder, Live));
        for (var i = 1; !TryCopyLibrary(data, folder); i++)
        {
            if (i == Tries)
                throw new IOException(
                    "An original that the database names is missing or keeps changing: the backup was not "
                        + "finished. Start Dekoro and look at the library."
                );
        }
        var files = Directory
            .EnumerateFiles(folder, "*", SearchOption.AllDirectories)
            .Order(StringComparer.Ordinal)
            .ToList();
        var list = string.Concat(files.Select(f => $"{HashOf(f)}  {Path.GetRelativePath(folder, f)}\n"));
        DiskLayer.Instance.FlushAll(folder);
        DiskLayer.Instance.Replace(Path.Combine(folder, ListName), Encoding.UTF8.GetBytes(list));
        DiskLayer.Instance.FlushFolder(into);
        return new(folder, files.Count, files.Sum(f => new FileInfo(f).Length));
    }

    /// <summary>
    /// Puts a backup into a data folder that is empty or not there, once every file of it was found whole.
    /// </summary>
    /// <exception cref="IOException">It is not whole, or the data folder holds something.</exception>
    public static BackupMade Restore(string from, string data)
    {
        var folder =
            File.Exists(Path.Combine(from, ListName)) ? from
            : Directory.Exists(from)
                ? Directory
                    .EnumerateDirectories(from)
                    .Where(d => File.Exists(Path.Combine(d, ListName)))
                    .Max(StringComparer.Ordinal)
            : null;
        if (folder is null)
            throw new IOException($"There is no whole backup in {from}: give a folder that dekoro backup has printed.");
        if (Directory.Exists(data) && Directory.EnumerateFileSystemEntries(data).Any())
            throw new IOException(
                $"{data} is not empty, and nothing in it was changed: give a new folder with --data."
            );
        var listed = File.ReadAllLines(Path.Combine(folder, ListName))
            .Select(l => (Hash: l[..64], Name: l[66..]))
            .ToList();
        foreach (var (hash, name) in listed)
        {
            var path = Path.Combine(folder, name);
            if (!StaticFolder.IsInside(name) || !File.Exists(path) || HashOf(path) != hash)
                throw new IOException(
                    $"{name} of this backup is missing or damaged, so nothing was restored: use another backup."
                );
        }
        if (!Database.IsWhole(Path.Combine(folder, Workspace.DatabaseName)))
            throw new IOException(
                "The database of this backup is damaged, so nothing was restored: use another backup."
            );
        // The database last: a restore that broke off is no data folder yet.
        foreach (var (_, name) in listed.OrderBy(l => l.Name == Workspace.DatabaseName))
        {
            var to = Path.Combine(data, name);
            DiskLayer.Instance.MakeFolder(Path.GetDirectoryName(to)!);
            File.Copy(Path.Combine(folder, name), to);
        }
        DiskLayer.Instance.FlushAll(data);
        return new(folder, listed.Count, listed.Sum(l => new FileInfo(Path.Combine(data, l.Name)).Length));
    }

    /// <returns>False where an original went away between the two: then once more.</returns>
    private static bool TryCopyLibrary(string data, string folder)
    {
        var copy = Path.Combine(folder, Workspace.DatabaseName);
        if (File.Exists(copy))
            File.Delete(copy);
        Database.CopyTo(Path.Combine(data, Workspace.DatabaseName), copy);
        foreach (var hash in Named(copy))
        {
            var below = Path.Combine(Workspace.OriginalsName, hash[..2], hash[2..]);
            if (!Share(Path.Combine(data, below), Path.Combine(folder, below)))
                return false;
        }
        return true;
    }

    private static List<string> Named(string database)
    {
        using var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = database,
                Mode = SqliteOpenMode.ReadOnly,
                Pooling = false,
            }.ToString()
        );
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT kept_sha256 FROM asset UNION SELECT sha256 FROM download";
        using var reader = command.ExecuteReader();
        var hashes = new List<string>();
        while (reader.Read())
            hashes.Add(reader.GetString(0));
        return hashes;
    }

    /// <summary>All that a release may name, and the pointer as it was before.</summary>
    private static void CopySite(string live, string into)
    {
        var pointer = Path.Combine(live, "current");
        if (!File.Exists(pointer))
            return;
        var text = File.ReadAllBytes(pointer);
        foreach (var file in Directory.EnumerateFiles(live, "*", SearchOption.AllDirectories).Where(f => f != pointer))
            Share(file, Path.Combine(into, Path.GetRelativePath(live, file)));
        // Visitors get files of pictures from where they were made.
        var (made, to) = (Beside(live), Beside(into));
        foreach (
            var file in Directory.Exists(made) ? Directory.EnumerateFiles(made, "*", SearchOption.AllDirectories) : []
        )
            Share(file, Path.Combine(to, Path.GetRelativePath(made, file)));

        static string Beside(string live) => Path.Combine(Path.GetDirectoryName(live)!, "renditions");
        Directory.CreateDirectory(into);
        File.WriteAllBytes(Path.Combine(into, "current"), text);
    }

    /// <summary>
    /// By hard link where both lie on one disk, for none of these files is ever changed; else by copying.
    /// </summary>
    private static bool Share(string from, string to)
    {
        if (File.Exists(to))
            return true;
        if (!File.Exists(from))
            return false;
        Directory.CreateDirectory(Path.GetDirectoryName(to)!);
        if (link(from, to) == 0)
            return true;
        try
        {
            File.Copy(from, to);
            return true;
        }
        catch (FileNotFoundException)
        {
            return false;
        }
    }

    private static string HashOf(string path)
    {
        using var file = File.OpenRead(path);
        return Convert.ToHexStringLower(SHA256.HashData(file));
    }

    [DllImport("libc")]
    private static extern int link(
        [MarshalAs(UnmanagedType.LPUTF8Str)] string from,
        [MarshalAs(UnmanagedType.LPUTF8Str)] string to
    );
}
