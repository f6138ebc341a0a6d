using System.IO.Compression;
using Dekoro.Core.Documents;
using Dekoro.Core.Library;

namespace Dekoro.Intake;

/// <summary>
/// Reads a .zip of pictures with words beside them: a table (.csv) that names the files, or a sidecar (.xmp) for each. Entries are
/// read, never unpacked: no name in the bundle becomes a path.
/// </summary>
public static class BundleReader
{
    public const int MostEntries = 5000;
    public const long MostBytes = 4L << 30;

    /// <summary>Of one file in it, unpacked.</summary>
    public const long MostEntryBytes = 200L << 20;

    /// <summary>Nothing a person has packs to less than a thousandth.</summary>
    private const long MostRatio = 1000, MostWordsBytes = 20L << 20;

    /// <param name="zip">Seekable; stays open for as long as pictures of the proposal are read from it.</param>
    /// <exception cref="UnreadableException">Not a .zip, or made to burst.</exception>
    public static Proposal Read(Stream zip, string name)
    {
        ZipArchive archive;
        try
        {
            archive = new ZipArchive(zip, ZipArchiveMode.Read, leaveOpen: true);
            if (archive.Entries.Count > MostEntries) throw new UnreadableException($"This bundle holds more than {MostEntries} files: split it.");
        }
        catch (InvalidDataException e)
        {
            throw new UnreadableException("This .zip is damaged or cut short: pack it again.", e);
        }
        var (pieces, reading) = (new Pieces(), new Lock());
        var files = new Dictionary<string, ZipArchiveEntry>(StringComparer.Ordinal);
        long bytes = 0;
        foreach (var entry in archive.Entries.Where(e => e.Name.Length > 0 && !IsHousekeeping(e.FullName)))
        {
            bytes += entry.Length;
            if (bytes > MostBytes || entry.Length > MostRatio * Math.Max(1, entry.CompressedLength))
                throw new UnreadableException("This .zip unpacks to far more than it says, as files do that are made to fill a disk: nothing of it was read.");
            if (Refusal(entry) is { } sentence) pieces.LeaveOut(entry.FullName, sentence);
            else if (!files.TryAdd(entry.FullName, entry)) pieces.LeaveOut(entry.FullName, "The bundle holds this name twice; the first was taken.");
        }
        var tables = files.Where(f => f.Key.EndsWith(".csv", StringComparison.OrdinalIgnoreCase)).SelectMany(f => TableOf(f.Value, pieces, reading)).ToList();
        var rows = tables.GroupBy(r => r.File, StringComparer.OrdinalIgnoreCase).ToDictionary(g => g.Key, g => g.First(), StringComparer.OrdinalIgnoreCase);
        var found = new List<FoundPicture>();
        foreach (var (path, entry) in files.Where(f => !IsWords(f.Key)).OrderBy(f => f.Key, StringComparer.Ordinal))
        {
            var row = rows.GetValueOrDefault(path) ?? rows.GetValueOrDefault(entry.Name);
            var sidecar = files.GetValueOrDefault(path + ".xmp") ?? files.GetValueOrDefault(path[..^Path.GetExtension(path).Length] + ".xmp");
            var words = new Words(Folder: string.Join('/', path.Split('/')[..^1]), Source: name);
            if (sidecar is not null) words = SidecarOf(sidecar, words, pieces, reading);
            found.Add(new FoundPicture(pieces.NewKey(), entry.Name, row?.On(words) ?? words, new PictureContent.AtHand(() => Opened(entry, reading))) { Keep = row?.Keep, Edits = row?.Edits });
        }
        foreach (var row in tables.Where(r => r.File.Length > 0 && !files.Keys.Any(k => k.Equals(r.File, StringComparison.OrdinalIgnoreCase) || Path.GetFileName(k).Equals(r.File, StringComparison.OrdinalIgnoreCase))))
            pieces.LeaveOut(row.File, "The table names it, but the bundle does not hold it.");
        return pieces.ToProposal(ProposalKind.Bundle, Path.GetFileNameWithoutExtension(name), "", null) with { Pictures = [.. found], Words = Document.Empty };
    }

    private static string? Refusal(ZipArchiveEntry entry) => entry switch
    {
        { IsEncrypted: true } => "It is locked with a password: pack it without one.",
        { Length: > MostEntryBytes } => $"It is larger than {MostEntryBytes >> 20} MB: save a smaller copy, or add it by itself.",
        _ when entry.FullName.Split('/', '\\').Contains("..") || entry.FullName.StartsWith('/') || entry.FullName.StartsWith('\\') || entry.FullName.Contains(':', StringComparison.Ordinal)
            => "Its name points outside the bundle, which no honest one does: it was not read.",
        _ => null,
    };

    /// <summary>What file managers leave behind.</summary>
    private static bool IsHousekeeping(string path) =>
        path.StartsWith("__MACOSX/", StringComparison.Ordinal) || Path.GetFileName(path) is ".DS_Store" or "Thumbs.db" or "desktop.ini";

    private static bool IsWords(string path) => Path.GetExtension(path).ToLowerInvariant() is ".csv" or ".xmp";

    private static IEnumerable<TableRow> TableOf(ZipArchiveEntry entry, Pieces pieces, Lock reading)
    {
        try
        {
            var table = LibraryTable.Read(BytesOf(entry, reading));
            foreach (var left in table.LeftOut) pieces.LeaveOut($"{entry.Name}, {left.Name}", left.Sentence);
            return table.Rows;
        }
        catch (UnreadableException e)
        {
            pieces.LeaveOut(entry.Name, e.Message);
            return [];
        }
    }

    private static Words SidecarOf(ZipArchiveEntry entry, Words words, Pieces pieces, Lock reading)
    {
        try
        {
            return Sidecar.Read(BytesOf(entry, reading), words);
        }
        catch (UnreadableException e)
        {
            pieces.LeaveOut(entry.Name, e.Message);
            return words;
        }
    }

    private static byte[] BytesOf(ZipArchiveEntry entry, Lock reading)
    {
        if (entry.Length > MostWordsBytes) throw new UnreadableException($"Its words are larger than {MostWordsBytes >> 20} MB.");
        using var opened = Opened(entry, reading);
        using var all = new MemoryStream();
        opened.CopyTo(all);
        return all.ToArray();
    }

    /// <summary>All entries read from one stream, so each is unpacked by itself, one after the other, onto the disk and never beyond what it says.</summary>
    private static FileStream Opened(ZipArchiveEntry entry, Lock reading)
    {
        lock (reading)
        {
            var held = new FileStream(Path.GetTempFileName(), FileMode.Create, FileAccess.ReadWrite, FileShare.None, 1 << 16, FileOptions.DeleteOnClose);
            using var packed = entry.Open();
            var buffer = new byte[1 << 16];
            for (int n; held.Length <= entry.Length && (n = packed.Read(buffer)) > 0;) held.Write(buffer, 0, n);
            held.Position = 0;
            return held;
        }
    }
}
