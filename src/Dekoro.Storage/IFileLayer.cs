namespace Dekoro.Storage;

/// <summary>
/// The few calls through which a file comes to its place for good. What they promise at a power cut is the file
/// system's: content is safe after <see cref="Flush"/>, a name after <see cref="FlushFolder"/> (POSIX.1-2017, fsync,
/// rename).
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
