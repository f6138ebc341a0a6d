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
        return written;
    }

    /// <summary>
    /// As <see cref="WriteInto"/>, into a folder that may hold other people's files too: what an earlier export wrote and this
    /// one does not goes, and nothing else is touched. A list in the folder says what that was.
    /// </summary>
    public static int Export(string folder, IReadOnlyDictionary<string, SiteFile> files)
    {
        var list = Path.Combine(Directory.CreateDirectory(folder).FullName, ListName);
        string[] before = File.Exists(list) ? File.ReadAllLines(list) : [];
        // Named before anything is written: an export that breaks off is still known for ours.
        File.WriteAllLines(list, before.Union(files.Keys).Order(StringComparer.Ordinal));
        var written = WriteInto(folder, files);
        foreach (var name in before.Where(n => !files.ContainsKey(n) && IsInside(n))) File.Delete(Path.Combine(folder, name));
        File.WriteAllLines(list, files.Keys.Order(StringComparer.Ordinal));
        return written;
    }

    private const string ListName = ".dekoro-files";

    /// <summary>The list lies where others may write: a name that leads out of the folder is not followed.</summary>
    private static bool IsInside(string name) => name.Length > 0 && !Path.IsPathRooted(name) && !name.Split('/', '\\').Contains("..");

    private static bool IsSame(string path, SiteFile file)
    {
        if (!File.Exists(path) || new FileInfo(path).Length != file.Bytes) return false;
        using var there = File.OpenRead(path);
        return Convert.ToHexStringLower(SHA256.HashData(there)) == file.Sha256;
    }

    [DllImport("libc", EntryPoint = "link", CharSet = CharSet.Ansi, BestFitMapping = false, ThrowOnUnmappableChar = true)]
    private static extern int Link([MarshalAs(UnmanagedType.LPUTF8Str)] string from, [MarshalAs(UnmanagedType.LPUTF8Str)] string to);
}
