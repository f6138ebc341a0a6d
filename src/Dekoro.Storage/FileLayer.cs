using System.ComponentModel;
using System.Runtime.InteropServices;

namespace Dekoro.Storage;

/// <summary>
/// The few calls through which a file comes to its place for good. What they promise at a power cut is the file system's:
/// content is safe after <see cref="Flush"/>, a name after <see cref="FlushFolder"/> (POSIX.1-2017, fsync, rename).
/// </summary>
public interface IFileLayer
{
    /// <summary>A new file to write into; one that is there under this name is emptied.</summary>
    Stream Create(string path);

    /// <summary>Waits until the content of a file that <see cref="Create"/> gave is on the disk.</summary>
    void Flush(Stream file);

    /// <summary>The same for a file that something else has written.</summary>
    void FlushFile(string path);

    /// <summary>The file or folder stands under the other name; a file in place of what stood there.</summary>
    void Move(string from, string to);

    /// <summary>Waits until the names in a folder are on the disk.</summary>
    void FlushFolder(string folder);

    /// <summary>Waits until all that was written to the file system of a folder is on the disk.</summary>
    void FlushAll(string folder);

    /// <summary>Makes a folder and its parents.</summary>
    void MakeFolder(string folder);
}

/// <summary>The disk itself.</summary>
public sealed class DiskLayer : IFileLayer
{
    private const int ReadOnly = 0, Directory = 0x10000;

    /// <summary>The one there is: it holds nothing.</summary>
    public static DiskLayer Instance { get; } = new();

    /// <inheritdoc/>
    public Stream Create(string path) => new FileStream(path, FileMode.Create, FileAccess.ReadWrite, FileShare.Read, 1 << 16);

    /// <inheritdoc/>
    public void Flush(Stream file) => ((FileStream)file).Flush(flushToDisk: true);

    /// <inheritdoc/>
    public void FlushFile(string path)
    {
        using var file = File.OpenHandle(path, FileMode.Open, FileAccess.ReadWrite);
        RandomAccess.FlushToDisk(file);
    }

    /// <inheritdoc/>
    public void Move(string from, string to)
    {
        if (System.IO.Directory.Exists(from)) System.IO.Directory.Move(from, to);
        else File.Move(from, to, overwrite: true);
    }

    /// <inheritdoc/>
    public void FlushFolder(string folder) => Waiting(folder, fsync);

    /// <inheritdoc/>
    public void FlushAll(string folder) => Waiting(folder, syncfs);

    /// <inheritdoc/>
    public void MakeFolder(string folder)
    {
        if (System.IO.Directory.Exists(folder)) return;
        var parent = Path.GetDirectoryName(folder);
        if (parent is { Length: > 0 }) MakeFolder(parent);
        System.IO.Directory.CreateDirectory(folder);
        if (parent is { Length: > 0 }) FlushFolder(parent);
    }

    private static void Waiting(string folder, Func<int, int> wait)
    {
        var handle = open(folder, ReadOnly | Directory);
        if (handle < 0) throw Failure(folder);
        try
        {
            if (wait(handle) != 0) throw Failure(folder);
        }
        finally
        {
            _ = close(handle);
        }
    }

    private static IOException Failure(string folder)
    {
        var error = Marshal.GetLastPInvokeError();
        return new IOException($"{new Win32Exception(error).Message} : '{folder}'", error);
    }

    [DllImport("libc", SetLastError = true)]
    private static extern int open([MarshalAs(UnmanagedType.LPUTF8Str)] string path, int flags);

    [DllImport("libc", SetLastError = true)]
    private static extern int fsync(int handle);

    [DllImport("libc", SetLastError = true)]
    private static extern int syncfs(int handle);

    [DllImport("libc", SetLastError = true)]
    private static extern int close(int handle);
}

/// <summary>Ways of writing that hold through a power cut.</summary>
public static class DurableWrites
{
    /// <summary>Beside its place, flushed, renamed, and the folder flushed: under the name stands the old content or the new, whole.</summary>
    public static void Replace(this IFileLayer layer, string path, ReadOnlySpan<byte> content)
    {
        var beside = path + ".new";
        using (var file = layer.Create(beside))
        {
            file.Write(content);
            layer.Flush(file);
        }
        layer.Move(beside, path);
        layer.FlushFolder(Path.GetDirectoryName(path)!);
    }

    /// <summary>A file that is whole and flushed comes to its place.</summary>
    public static void Place(this IFileLayer layer, string from, string to)
    {
        layer.MakeFolder(Path.GetDirectoryName(to)!);
        layer.Move(from, to);
        layer.FlushFolder(Path.GetDirectoryName(to)!);
    }

    /// <summary>ENOSPC or EDQUOT, as .NET reports them on Linux.</summary>
    public static bool IsFull(IOException e) => (e.HResult & 0xFFFF) is 28 or 122 || e.Message.Contains("No space left", StringComparison.Ordinal);
}
