using System.IO.Compression;
using Dekoro.Core.Content;
using Dekoro.Core.Media;

namespace Dekoro.Intake;

/// <summary>
/// Reads a .zip of pictures with words beside them: a table (.csv) that names the files, or a sidecar (.xmp) for each.
/// Entries are read, never unpacked: no name in the bundle becomes a path.
/// </summary>
public static class BundleReader
{
    public const int MaxEntries = 5000;
    public const long MaxBytes = 4L << 30;

    /// <summary>Of one file in it, unpacked.</summary>
    public const long MaxEntryBytes = 200L << 20;

    /// <summary>Nothing a person has packs to less than a thousandth.</summary>
    private const long MaxRatio = 1000,
        MaxWordsBytes = 20L << 20;

    /// <param name="zip">Seekable; stays open for as long as pictures of the proposal are read from it.</param>
    /// <exception cref="UnreadableException">Not a .zip, or made to burst.</exception>
    public static Proposal Read(Stream zip, string name)
    {
        var (pieces, reading) = (new Pieces(), new Lock());
        var files = FilesIn(Opened(zip), pieces);
        var tables = files
            .Where(f => f.Key.EndsWith(".csv", StringComparison.OrdinalIgnoreCase))
            .SelectMany(f => TableOf(f.Value, pieces, reading))
            .ToList();
        var rows = tables
            .GroupBy(r => r.File, StringComparer.OrdinalIgnoreCase)
            .ToDictionary(g => g.Key, g => g.First(), StringComparer.OrdinalIgnoreCase);
        var found = files
            .Where(f => !IsWords(f.Key))
            .OrderBy(f => f.Key, StringComparer.Ordinal)
            .Select(f => PictureOf(f.Value, files, rows, name, pieces, reading))
            .ToList();
        foreach (var row in tables.Where(r => r.File.Length > 0 && !files.Keys.Any(k => IsNamed(k, r.File))))
            pieces.LeaveOut(row.File, "The table names it, but the bundle does not hold it.");
        return pieces.ToProposal(ProposalKind.Bundle, Path.GetFileNameWithoutExtension(name), "", null) with
        {
            Pictures = [.. found],
            Words = Document.Empty,
        };
    }

    private static ZipArchive Opened(Stream zip)
    {
        try
        {
            var archive = new ZipArchive(zip, ZipArchiveMode.Read, leaveOpen: true);
            return archive.Entries.Count <= MaxEntries
                ? archive
                : throw new UnreadableException($"This bundle holds more than {MaxEntries} files: split it.");
        }
        catch (InvalidDataException e)
        {
            throw new UnreadableException("This .zip is damaged or cut short: pack it again.", e);
        }
    }

    /// <summary>Each file by its path; what is refused is told.</summary>
    private static Dictionary<string, ZipArchiveEntry> FilesIn(ZipArchive archive, Pieces pieces)
    {
        var files = new Dictionary<string, ZipArchiveEntry>(StringComparer.Ordinal);
        long bytes = 0;
        foreach (var entry in archive.Entries.Where(e => e.Name.Length > 0 && !IsHousekeeping(e.FullName)))
        {
            bytes += entry.Length;
            if (bytes > MaxBytes || entry.Length > MaxRatio * Math.Max(1, entry.CompressedLength))
                throw new UnreadableException(
                    "This .zip unpacks to far more than it says, as files do that are made to fill a disk: "
                        + "nothing of it was read."
                );
            if (Refusal(entry) is { } sentence)
                pieces.LeaveOut(entry.FullName, sentence);
            else if (!files.TryAdd(entry.FullName, entry))
                pieces.LeaveOut(entry.FullName, "The bundle holds this name twice; the first was taken.");
        }
        return files;
    }

    private static bool IsNamed(string path, string file) =>
        path.Equals(file, StringComparison.OrdinalIgnoreCase)
        || Path.GetFileName(path).Equals(file, StringComparison.OrdinalIgnoreCase);

    private static FoundPicture PictureOf(
        ZipArchiveEntry entry,
        Dictionary<string, ZipArchiveEntry> files,
        Dictionary<string, TableRow> rows,
        string bundle,
        Pieces pieces,
        Lock reading
    )
    {
        var path = entry.FullName;
        var row = rows.GetValueOrDefault(path) ?? rows.GetValueOrDefault(entry.Name);
        var sidecar = files.GetValueOrDefault(path + ".xmp")
            ?? files.GetValueOrDefault(path[..^Path.GetExtension(path).Length] + ".xmp");
        var words = new PictureMetadata(Folder: string.Join('/', path.Split('/')[..^1]), Source: bundle);
        if (sidecar is not null)
            words = SidecarOf(sidecar, words, pieces, reading);
        return new(
            pieces.NewKey(),
            entry.Name,
            row?.On(words) ?? words,
            new PictureContent.AtHand(() => Opened(entry, reading))
        )
        {
            Keep = row?.Keep,
            Edits = row?.Edits,
        };
    }

    private static string? Refusal(ZipArchiveEntry entry) =>
        entry switch
        {
            { IsEncrypted: true } => "It is locked with a password: pack it without one.",
            { Length: > MaxEntryBytes } =>
                $"It is larger than {MaxEntryBytes >> 20} MB: save a smaller copy, or add it by itself.",
            _ when entry.FullName.Split('/', '\\').Contains("..")
                    || entry.FullName.StartsWith('/')
                    || entry.FullName.StartsWith('\\')
                    || entry.FullName.Contains(':', StringComparison.Ordinal) =>
                "Its name points outside the bundle, which no honest one does: it was not read.",
            _ => null,
        };

    /// <summary>What file managers leave behind.</summary>
    private static bool IsHousekeeping(string path) =>
        path.StartsWith("__MACOSX/", StringComparison.Ordinal)
        || Path.GetFileName(path) is ".DS_Store" or "Thumbs.db" or "desktop.ini";

    private static bool IsWords(string path) => Path.GetExtension(path).ToLowerInvariant() is ".csv" or ".xmp";

    private static IEnumerable<TableRow> TableOf(ZipArchiveEntry entry, Pieces pieces, Lock reading)
    {
        try
        {
            var table = LibraryTable.Read(BytesOf(entry, reading));
            foreach (var left in table.LeftOut)
                pieces.LeaveOut($"{entry.Name}, {left.Name}", left.Sentence);
            return table.Rows;
        }
        catch (UnreadableException e)
        {
            pieces.LeaveOut(entry.Name, e.Message);
            return [];
        }
    }

    private static PictureMetadata SidecarOf(ZipArchiveEntry entry, PictureMetadata words, Pieces pieces, Lock reading)
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
        if (entry.Length > MaxWordsBytes)
            throw new UnreadableException($"Its words are larger than {MaxWordsBytes >> 20} MB.");
        using var opened = Opened(entry, reading);
        using var all = new MemoryStream();
        opened.CopyTo(all);
        return all.ToArray();
    }

    /// <summary>
    /// All entries read from one stream, so each is unpacked by itself, one after the other, onto the disk and never
    /// beyond what it says.
    /// </summary>
    private static FileStream Opened(ZipArchiveEntry entry, Lock reading)
    {
        lock (reading)
        {
            var held = new FileStream(
                Path.GetTempFileName(),
                FileMode.Create,
                FileAccess.ReadWrite,
                FileShare.None,
                1 << 16,
                FileOptions.DeleteOnClose
            );
            using var packed = entry.Open();
            var buffer = new byte[1 << 16];
            for (int n; held.Length <= entry.Length && (n = packed.Read(buffer)) > 0; )
                held.Write(buffer, 0, n);
            held.Position = 0;
            return held;
        }
    }
}
