using System.ComponentModel;
using System.Runtime.InteropServices;

namespace Dekoro.Storage;

/// <summary>The disk itself.</summary>
public sealed class DiskLayer : IFileLayer
{
    private const int ReadOnly = 0,
        Directory = 0x10000;

    /// <summary>The one there is: it holds nothing.</summary>
    public static DiskLayer Instance { get; } = new();

    /// <inheritdoc/>
    public Stream Create(string path) =>
        new FileStream(path, FileMode.Create, FileAccess.ReadWrite, FileShare.Read, 1 << 16);

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
        if (System.IO.Directory.Exists(from))
            System.IO.Directory.Move(from, to);
        else
            File.Move(from, to, overwrite: true);
    }

    /// <inheritdoc/>
    public void FlushFolder(string folder) => Waiting(folder, fsync);

    /// <inheritdoc/>
    public void FlushAll(string folder) => Waiting(folder, syncfs);

    /// <inheritdoc/>
    public void MakeFolder(string folder)
    {
        if (System.IO.Directory.Exists(folder))
            return;
        var parent = Path.GetDirectoryName(folder);
        if (parent is { Length: > 0 })
            MakeFolder(parent);
        System.IO.Directory.CreateDirectory(folder);
        if (parent is { Length: > 0 })
            FlushFolder(parent);
    }

    private static void Waiting(string folder, Func<int, int> wait)
    {
        var handle = open(folder, ReadOnly | Directory);
        if (handle < 0)
            throw Failure(folder);
        try
        {
            if (wait(handle) != 0)
                throw Failure(folder);
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
