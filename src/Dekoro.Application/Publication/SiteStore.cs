using System.Runtime.InteropServices;
using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <summary>
/// The files of all releases, each once under its hash: what two releases share is there once, and never copied. What
/// cannot be made again from elsewhere, pages and lists, lies there twice, so that one damaged file is mended from the
/// other. Files of pictures have names that stand for their content already, and are served from where they were made.
/// </summary>
internal sealed class SiteStore(string folder, string renditions, IFileLayer layer)
{
    private const string Media = "media/";

    private int _written;

    /// <summary>How many files were written since it was last asked.</summary>
    public int TakeWritten() => Interlocked.Exchange(ref _written, 0);

    /// <summary>Whether an address is that of a picture's file.</summary>
    public static bool IsMedia(string address) => address.StartsWith(Media, StringComparison.Ordinal);

    /// <summary>Keeps a file of a site, where it is not kept already.</summary>
    public void Keep(string address, SiteFile file)
    {
        if (file.Content is { } content && !IsMedia(address))
        {
            if (Keep(file.Sha256, content))
                Interlocked.Increment(ref _written);
            return;
        }
        if (IsMedia(address) && file.Source == MadeAt(address))
            return;
        var path = PathOf(address, file.Sha256);
        if (file.IsAt(path, isThorough: false))
            return;
        layer.MakeFolder(Path.GetDirectoryName(path)!);
        if (file.Content is { } picture)
            Write(path, picture);
        else
            Share(file.Source!, path);
        Interlocked.Increment(ref _written);
    }

    /// <summary>Keeps a list, twice.</summary>
    public string Keep(byte[] content)
    {
        var sha256 = SiteFile.Of(content).Sha256;
        Keep(sha256, content);
        return sha256;
    }

    /// <summary>What is kept under a hash; mended where one of the two was damaged.</summary>
    /// <returns>Null where both are.</returns>
    public byte[]? Read(string sha256) => Mend(sha256) ? File.ReadAllBytes(PathOf("", sha256)) : null;

    /// <summary>Where a file lies that is as long as it was written; mended first where that can be.</summary>
    /// <returns>Null where it is damaged.</returns>
    public string? Find(string address, SiteFile file)
    {
        if (IsMedia(address) && MadeAt(address) is var made && file.IsAt(made, isThorough: false))
            return made;
        var path = PathOf(address, file.Sha256);
        return file.IsAt(path, isThorough: false) || !IsMedia(address) && Mend(file.Sha256) ? path : null;
    }

    /// <summary>Whether a file is as it was written, to the last byte; mended first where that can be.</summary>
    public bool IsWhole(string address, SiteFile file) =>
        IsMedia(address) ? Find(address, file) is { } path && file.IsAt(path) : Mend(file.Sha256);

    /// <summary>Takes a damaged file away, that it is kept or made anew instead of being taken for whole.</summary>
    public void Drop(string address, SiteFile file)
    {
        string[] damaged = IsMedia(address) ? [MadeAt(address), PathOf(address, file.Sha256)] : BothOf(file.Sha256);
        foreach (var path in damaged.Where(File.Exists))
            File.Delete(path);
    }

    /// <summary>Waits until all that was kept is on the disk.</summary>
    public void Flush() => layer.FlushAll(folder);

    /// <summary>Takes away what no release names any more and was not written lately.</summary>
    public void Sweep(IReadOnlySet<string> named, DateTime before)
    {
        foreach (var name in new[] { "store", "spare", "media" }.Select(n => Path.Combine(folder, n)))
        {
            if (!Directory.Exists(name))
                continue;
            foreach (
                var file in new DirectoryInfo(name)
                    .EnumerateFiles("*", SearchOption.AllDirectories)
                    .Where(f => !named.Contains(f.Name) && f.CreationTimeUtc < before)
            )
                file.Delete();
        }
    }

    // What is handed on as it came is no made file.
    private string PathOf(string address, string sha256)
    {
        var (kind, name) = IsMedia(address) ? ("media", address[Media.Length..]) : ("store", sha256);
        return Path.Combine(folder, kind, name[..2], name);
    }

    private string[] BothOf(string sha256) => [PathOf("", sha256), Path.Combine(folder, "spare", sha256[..2], sha256)];

    private bool Keep(string sha256, byte[] content)
    {
        var isNew = false;
        foreach (var path in BothOf(sha256))
        {
            if (new FileInfo(path) is { Exists: true } there && there.Length == content.Length)
                continue;
            Write(path, content);
            isNew = true;
        }
        return isNew;
    }

    /// <summary>Whether what is kept under a hash is whole, by its spare where it is not by itself.</summary>
    private bool Mend(string sha256)
    {
        foreach (var path in BothOf(sha256).Where(File.Exists))
        {
            if (SiteFile.At(path).Sha256 != sha256)
                continue;
            if (path != PathOf("", sha256))
                Write(PathOf("", sha256), File.ReadAllBytes(path));
            return true;
        }
        return false;
    }

    /// <summary>Where a file of a picture lies that was made of it.</summary>
    private string MadeAt(string address) =>
        Path.Combine(renditions, address[Media.Length..][..2], address[Media.Length..]);

    private void Write(string path, byte[] content)
    {
        layer.MakeFolder(Path.GetDirectoryName(path)!);
        var beside = $"{path}.{Guid.NewGuid():N}.new";
        using (var to = layer.Create(beside))
            to.Write(content);
        layer.Move(beside, path);
    }

    /// <summary>The same file under another name; a copy where the file system has no such thing.</summary>
    private void Share(string from, string to)
    {
        if (File.Exists(to))
            File.Delete(to);
        if (link(from, to) == 0)
            return;
        var beside = $"{to}.{Guid.NewGuid():N}.new";
        using (var target = layer.Create(beside))
        using (var source = File.OpenRead(from))
            source.CopyTo(target);
        layer.Move(beside, to);
    }

    [DllImport("libc")]
    private static extern int link(
        [MarshalAs(UnmanagedType.LPUTF8Str)] string from,
        [MarshalAs(UnmanagedType.LPUTF8Str)] string to
    );
}
