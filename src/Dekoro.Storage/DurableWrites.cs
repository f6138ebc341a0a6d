using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>Ways of writing that hold through a power cut.</summary>
public static class DurableWrites
{
    /// <summary>
    /// Beside its place, flushed, renamed, and the folder flushed: under the name stands the old content or the new,
    /// whole.
    /// </summary>
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

    /// <summary>
    /// ENOSPC or EDQUOT, as .NET reports them on Linux; SQLITE_FULL, or SQLITE_IOERR_SHMSIZE: no room for the log's
    /// index.
    /// </summary>
    public static bool IsFull(Exception e) =>
        e switch
        {
            SqliteException sqlite => sqlite is { SqliteErrorCode: 13 } or { SqliteExtendedErrorCode: 4874 },
            IOException => (e.HResult & 0xFFFF) is 28 or 122
                || e.Message.Contains("No space left", StringComparison.Ordinal),
            _ => false,
        };
}
