using System.Runtime.InteropServices;
using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <summary>Writes the files of a site into a folder. Unchanged files are not written again.</summary>
public static class StaticFolder
{
    private const string ListName = ".dekoro-files";

    /// <param name="sameFrom">An earlier folder whose equal files are shared by hard link, but for those that can only
    /// be had by publishing.</param>
    /// <returns>How many files were written that the earlier folder does not have.</returns>
    public static int WriteInto(
        string folder,
        IReadOnlyDictionary<string, SiteFile> files,
        IFileLayer layer,
        string? sameFrom = null
    )
    {
        var (written, isAny) = (0, false);
        // Pages last: whoever reads the folder meanwhile finds every picture that a page names.
        foreach (var (name, file) in files.OrderBy(f => f.Key.EndsWith(".html", StringComparison.Ordinal)))
        {
            var path = Path.Combine(folder, name);
            if (file.IsAt(path))
                continue;
            layer.MakeFolder(Path.GetDirectoryName(path)!);
            var stoodBefore = sameFrom is not null && file.IsAt(Path.Combine(sameFrom, name));
            // A page that two releases shared would be damaged in both.
            if (
                stoodBefore
                && file.Content is null
                && !File.Exists(path)
                && Link(Path.Combine(sameFrom!, name), path) == 0
            )
                continue;
            var beside = path + ".new";
            using (var to = layer.Create(beside))
            {
                if (file.Content is not null)
                    to.Write(file.Content);
                else
                    using (var from = File.OpenRead(file.Source!))
                        from.CopyTo(to);
            }
            layer.Move(beside, path);
            isAny = true;
            if (!stoodBefore)
                written++;
        }
        if (isAny)
            layer.FlushAll(folder);
        return written;
    }

    /// <summary>
    /// As <see cref="WriteInto"/>, into a folder that may hold other people's files too: what an earlier export wrote
    /// and this one does not goes, and nothing else is touched. A list in the folder says what that was.
    /// </summary>
    public static int Export(string folder, IReadOnlyDictionary<string, SiteFile> files)
    {
        var list = Path.Combine(Directory.CreateDirectory(folder).FullName, ListName);
        string[] before = File.Exists(list) ? File.ReadAllLines(list) : [];
        // Named before anything is written: an export that breaks off is still known for ours.
        File.WriteAllLines(list, before.Union(files.Keys).Order(StringComparer.Ordinal));
        var written = WriteInto(folder, files, DiskLayer.Instance);
        foreach (var name in before.Where(n => !files.ContainsKey(n) && IsInside(n)))
            File.Delete(Path.Combine(folder, name));
        File.WriteAllLines(list, files.Keys.Order(StringComparer.Ordinal));
        return written;
    }

    /// <summary>The list lies where others may write: a name that leads out of the folder is not followed.</summary>
    internal static bool IsInside(string name) =>
        name.Length > 0 && !Path.IsPathRooted(name) && !name.Split('/', '\\').Contains("..");

    [DllImport(
        "libc",
        EntryPoint = "link",
        CharSet = CharSet.Ansi,
        BestFitMapping = false,
        ThrowOnUnmappableChar = true
    )]
    private static extern int Link(
        [MarshalAs(UnmanagedType.LPUTF8Str)] string from,
        [MarshalAs(UnmanagedType.LPUTF8Str)] string to
    );
}
