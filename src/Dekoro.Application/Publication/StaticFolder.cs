using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <summary>Writes the files of a site into a folder. Unchanged files are not written again.</summary>
public static class StaticFolder
{
    private const string ListName = ".dekoro-files";

    /// <returns>How many files were written.</returns>
    public static int WriteInto(string folder, IReadOnlyDictionary<string, SiteFile> files, IFileLayer layer)
    {
        var written = 0;
        // Pages last: whoever reads the folder meanwhile finds every picture that a page names.
        foreach (var (name, file) in files.OrderBy(f => f.Key.EndsWith(".html", StringComparison.Ordinal)))
        {
            var path = Path.Combine(folder, name);
            if (file.IsAt(path))
                continue;
            layer.MakeFolder(Path.GetDirectoryName(path)!);
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
            written++;
        }
        if (written > 0)
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
}
