using Dekoro.Storage;

namespace Dekoro.Server.Tests;

/// <summary>
/// A disk that remembers in which order things were written, and can show what would lie on it had the power gone at
/// any moment: content that was not flushed is lost (the file is empty), and a name that was not flushed stands or does
/// not (POSIX.1-2017 promises neither).
/// </summary>
public sealed class PowerLossLayer : IFileLayer
{
    private abstract record Step(string Path);

    private sealed record Wrote(string Path) : Step(Path);

    private sealed record Flushed(string Path, byte[] Content) : Step(Path);

    private sealed record Moved(string Path, string To, bool IsFolder) : Step(Path);

    private sealed record FlushedFolder(string Path) : Step(Path);

    private sealed record FlushedAll(string Path, IReadOnlyDictionary<string, byte[]> Files) : Step(Path);

    private sealed record MadeFolder(string Path) : Step(Path);

    private readonly List<Step> _steps = [];

    public int Steps => _steps.Count;

    public Stream Create(string path)
    {
        _steps.Add(new Wrote(path));
        return new FileStream(path, FileMode.Create, FileAccess.ReadWrite, FileShare.Read);
    }

    public void Flush(Stream file)
    {
        file.Flush();
        FlushFile(((FileStream)file).Name);
    }

    public void FlushFile(string path)
    {
        using var file = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.ReadWrite);
        using var all = new MemoryStream();
        file.CopyTo(all);
        _steps.Add(new Flushed(path, all.ToArray()));
    }

    public void Move(string from, string to)
    {
        _steps.Add(new Moved(from, to, Directory.Exists(from)));
        DiskLayer.Instance.Move(from, to);
    }

    public void FlushFolder(string folder) => _steps.Add(new FlushedFolder(folder));

    public void FlushAll(string folder) =>
        _steps.Add(
            new FlushedAll(
                folder,
                Directory
                    .EnumerateFiles(folder, "*", SearchOption.AllDirectories)
                    .ToDictionary(f => f, File.ReadAllBytes)
            )
        );

    public void MakeFolder(string folder)
    {
        if (!Directory.Exists(folder))
            _steps.Add(new MadeFolder(folder));
        Directory.CreateDirectory(folder);
    }

    /// <summary>Lays into a folder what would lie there had the power gone after so many steps.</summary>
    /// <param name="keepsUnflushedNames">Whether names that nobody had waited for made it to the disk.</param>
    public void LayAfter(int steps, string root, string into, bool keepsUnflushedNames)
    {
        var disk = new Disk(keepsUnflushedNames);
        foreach (var step in _steps.Take(steps))
            disk.Take(step);
        foreach (var (path, bytes) in disk.Names)
        {
            var to = Path.Combine(into, Path.GetRelativePath(root, path));
            Directory.CreateDirectory(Path.GetDirectoryName(to)!);
            File.WriteAllBytes(to, bytes);
        }
    }

    private sealed class Disk(bool keepsUnflushedNames)
    {
        // What each file holds on the disk for sure, under the name it has for the program.
        private readonly Dictionary<string, byte[]> _content = new(StringComparer.Ordinal);

        /// <summary>
        /// What stands there. Moves that a flush of their folder has not yet made sure of are undone, or stand with
        /// their content as far as that was flushed.
        /// </summary>
        public Dictionary<string, byte[]> Names { get; } = new(StringComparer.Ordinal);

        public void Take(Step step)
        {
            switch (step)
            {
                case Wrote wrote:
                    _content[wrote.Path] = [];
                    break;
                case Flushed flushed:
                    _content[flushed.Path] = flushed.Content;
                    break;
                case FlushedAll all:
                    foreach (var (path, bytes) in all.Files)
                        Names[path] = _content[path] = bytes;
                    break;
                case Moved moved:
                    Move(moved);
                    break;
                case FlushedFolder folder:
                    Settle(folder.Path);
                    break;
            }
        }

        private void Move(Moved moved)
        {
            bool Goes(string path) => path == moved.Path || moved.IsFolder && Under(path, moved.Path);
            foreach (var path in _content.Keys.Where(Goes).ToList())
            {
                var to = moved.To + path[moved.Path.Length..];
                _content[to] = _content[path];
                _content.Remove(path);
                if (moved.IsFolder || keepsUnflushedNames)
                    Names.Remove(path);
                if (keepsUnflushedNames)
                    Names[to] = _content[to];
            }
        }

        private void Settle(string folder)
        {
            foreach (var path in Names.Keys.Where(n => Under(n, folder) && !_content.ContainsKey(n)).ToList())
                Names.Remove(path);
            foreach (var path in _content.Keys.Where(n => Under(n, folder)).ToList())
                Names[path] = _content[path];
        }
    }

    /// <summary>The names in a folder; of a folder that was moved into it whole, all that lies in that.</summary>
    private static bool Under(string path, string folder) => path.StartsWith(folder + "/", StringComparison.Ordinal);
}
