using System.Runtime.InteropServices;
using System.Security.Cryptography;

namespace Dekoro.Server.Work;

/// <summary>One file of a site: its bytes, or where they lie on disk under a name that stands for them.</summary>
public sealed record SiteFile(string Sha256, long Bytes, byte[]? Content, string? Source)
{
    public static SiteFile Of(byte[] content) => new(Convert.ToHexStringLower(SHA256.HashData(content)), content.Length, content, null);

    public static SiteFile At(string path)
    {
        using var file = File.OpenRead(path);
        return new(Convert.ToHexStringLower(SHA256.HashData(file)), file.Length, null, path);
    }
}

/// <summary>Writes the files of a site into a folder. Unchanged files are not written again.</summary>
public static class StaticFolder
{
    /// <param name="sameFrom">An earlier folder whose equal files are shared by hard link.</param>
    /// <returns>How many files were written.</returns>
    public static int WriteInto(string folder, IReadOnlyDictionary<string, SiteFile> files, string? sameFrom = null)
    {
        var written = 0;
        // Pages last: whoever reads the folder meanwhile finds every picture that a page names.
        foreach (var (name, file) in files.OrderBy(f => f.Key.EndsWith(".html", StringComparison.Ordinal)))
        {
            var path = Path.Combine(folder, name);
            if (IsSame(path, file)) continue;
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            if (sameFrom is not null && Path.Combine(sameFrom, name) is var before && IsSame(before, file) && Link(before, path) == 0) continue;
            var beside = path + ".new";
            if (file.Content is not null) File.WriteAllBytes(beside, file.Content);
            else File.Copy(file.Source!, beside, overwrite: true);
            File.Move(beside, path, overwrite: true);
            written++;
        }
        foreach (var path in Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories))
        {
            var name = Path.GetRelativePath(folder, path).Replace(Path.DirectorySeparatorChar, '/');
            if (!files.ContainsKey(name) && IsOurs(name)) File.Delete(path);
        }
        return written;
    }

    /// <summary>What an earlier writing may have left; anything else in the folder belongs to someone else.</summary>
    private static bool IsOurs(string name) =>
        name.StartsWith("media/", StringComparison.Ordinal) || name.StartsWith("assets/", StringComparison.Ordinal)
        || name.EndsWith("index.html", StringComparison.Ordinal) || name.EndsWith(".new", StringComparison.Ordinal);

    private static bool IsSame(string path, SiteFile file)
    {
        if (!File.Exists(path) || new FileInfo(path).Length != file.Bytes) return false;
        using var there = File.OpenRead(path);
        return Convert.ToHexStringLower(SHA256.HashData(there)) == file.Sha256;
    }

    [DllImport("libc", EntryPoint = "link", CharSet = CharSet.Ansi, BestFitMapping = false, ThrowOnUnmappableChar = true)]
    private static extern int Link([MarshalAs(UnmanagedType.LPUTF8Str)] string from, [MarshalAs(UnmanagedType.LPUTF8Str)] string to);
}
