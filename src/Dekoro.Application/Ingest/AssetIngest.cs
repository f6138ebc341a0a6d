using System.Security.Cryptography;
using System.Xml;
using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Core.Editing;
using Dekoro.Core.Media;
using Dekoro.Imaging;
using Dekoro.Storage;

namespace Dekoro.Application.Ingest;

/// <summary>Takes files into the library: received, recognised, cleaned, probed, measured, recorded.</summary>
public sealed class AssetIngest(
    Workspace workspace,
    TwinFinder twins,
    PixelQueue pixels,
    Events events,
    TimeProvider clock,
    Person person
)
{
    /// <summary>Said where a file does not find room on the disk.</summary>
    public const string NoRoom =
        "The disk is full, so this file was not kept; everything added before is safe. Free some space, then "
        + "try it again.";

    /// <summary>Said before anything is sent, while drafts still have room.</summary>
    public const string LittleRoom =
        "The disk is nearly full: what is left of it is held free for drafts, so no files are added just now. "
        + "Free some space, then try it again.";

    private const int MaxTitleFromAlt = 80;
    private const string CleanedEnding = ".clean";

    /// <summary>Never throws for a bad file: each file has its own outcome, and the others go on.</summary>
    /// <param name="words">What is known of it; what is empty is taken from the file.</param>
    public async Task<Taken> TakeAsync(string givenName, Stream content, PictureMetadata words, CancellationToken stop)
    {
        using var read = await ReadAsync(givenName, content, words, stop, keepsOthers: true);
        return read.Asset is null ? read.Taken : Record(read.Asset, read.Taken);
    }

    /// <summary>
    /// All but the record: received, cleaned, probed, measured, its file kept. <see cref="Record"/> it, or dispose of
    /// it.
    /// </summary>
    /// <param name="keepsOthers">What is no picture but of a known kind is kept at once, as a file to link to.</param>
    public async Task<ReadIn> ReadAsync(
        string givenName,
        Stream content,
        PictureMetadata words,
        CancellationToken stop,
        bool keepsOthers = false
    )
    {
        var name = NameOf(givenName);
        if (!workspace.HasRoom)
            return new(null, new(name, null, Error: LittleRoom));
        StoredFile? received = null;
        try
        {
            received = await workspace.Files.ReceiveAsync(
                content,
                keepsOthers ? Limits.MaxDownloadBytes : Limits.MaxFileBytes,
                stop
            );
            if (workspace.Assets.FindByHash(received.Sha256) is { } same)
                return new(null, Known(name, same));
            if (keepsOthers && TypeOf(received, name) is { } type)
                return new(null, RecordDownload(name, received, type, words));
            return await pixels.RunAsync(PixelWork.Asked, token => Inspected(name, received, words, token), stop);
        }
        catch (RefusedFileException e)
        {
            return new(null, new(name, null, Error: e.Message));
        }
        catch (Exception e) when (DurableWrites.IsFull(e))
        {
            return new(null, new(name, null, Error: NoRoom));
        }
        finally
        {
            if (received is not null)
                workspace.Files.Drop(received);
            if (received is not null)
                File.Delete(received.Path + CleanedEnding);
        }
    }

    /// <summary>The library has this very file; where it was taken away, adding it again brings it back.</summary>
    private Taken Known(string name, Asset same)
    {
        if (same.AwaySince is null)
            return new(name, same.Id, WasThere: true);
        workspace.Assets.PutBack(same.Id);
        events.Send("library", new { id = same.Id });
        return new(name, same.Id, WasThere: true, Note: "It had been removed and is back, with all its words.");
    }

    /// <summary>
    /// What a file is that is kept although it is no picture; null for pictures and for what is refused.
    /// </summary>
    private static DownloadType? TypeOf(StoredFile received, string name)
    {
        var head = new byte[FileKind.BytesNeeded];
        using var file = File.OpenRead(received.Path);
        var read = head.AsSpan(0, file.ReadAtLeast(head, head.Length, throwOnEndOfStream: false));
        return FileKind.Of(read) is null ? DownloadTypes.Of(read, name) : null;
    }

    private Taken RecordDownload(string name, StoredFile received, DownloadType type, PictureMetadata words)
    {
        if (received.Bytes > Limits.MaxDownloadBytes)
            throw new RefusedFileException(Limits.DownloadTooLarge);
        if (workspace.Downloads.FindByHash(received.Sha256) is { } same)
        {
            if (same.AwaySince is not null)
                workspace.Downloads.PutBack(same.Id);
            return new(name, null, WasThere: true, DownloadId: same.Id);
        }
        var title = FileNames.SuggestTitle(name) is { Length: > 0 } suggested
            ? suggested
            : Path.GetFileNameWithoutExtension(name);
        var facts = new Download(
            NewId(),
            name,
            type,
            received.Bytes,
            words.Title.Length > 0 ? words.Title
                : title.Length > 0 ? title
                : name,
            words.Description,
            words.Folder,
            HasOwnAddress: false
        );
        using var claim = Claim(received.Sha256);
        workspace.Files.Keep(received);
        try
        {
            workspace.Downloads.Add(new(facts, received.Sha256, clock.GetUtcNow(), person.Now, 1, null));
        }
        catch (Microsoft.Data.Sqlite.SqliteException e)
            when (e.SqliteErrorCode == 19 && workspace.Downloads.FindByHash(received.Sha256) is { } other)
        {
            // The same file came twice at the same moment.
            return new(name, null, WasThere: true, DownloadId: other.Id);
        }
        events.Send("library", new { id = facts.Id });
        return new(name, null, Note: $"Kept among the other files as {type.Name}.", DownloadId: facts.Id);
    }

    private static string NewId() => RandomNumberGenerator.GetHexString(12, lowercase: true);

    /// <summary>Puts a picture that was read into the library.</summary>
    public Taken Record(Asset asset, Taken read)
    {
        try
        {
            workspace.Assets.Add(asset with { AddedBy = person.Now });
        }
        catch (Microsoft.Data.Sqlite.SqliteException e)
            when (e.SqliteErrorCode == 19 && workspace.Assets.FindByHash(asset.Sha256) is { } other)
        {
            // The same file came twice at the same moment.
            return new(read.Name, other.Id, WasThere: true);
        }
        var same = asset.Look is { } look ? twins.Tell(asset.Id, look) : [];
        events.Send("library", new { id = asset.Id });
        return read with { Note = NoteOf(same, read.Note) };
    }

    /// <summary>What a person should know of a picture, and which one of the library looks the same.</summary>
    public string? NoteOf(Asset asset, string? note) =>
        NoteOf(asset.Look is { } look ? twins.Find(asset.Id, look) : [], note);

    private string? NoteOf(IReadOnlyList<string> same, string? note) =>
        workspace.Assets.FindMany([.. same]).FirstOrDefault(a => a.AwaySince is null) is { } found
            ? $"{note} It looks like “{found.Facts.Metadata.Title}”, which is in the library.".Trim()
            : note;

    private IDisposable Claim(string sha256) => workspace.Files.Claim(sha256, () => workspace.Assets.IsKept(sha256));

    private ReadIn Inspected(string name, StoredFile received, PictureMetadata given, CancellationToken stop)
    {
        PictureFormat format;
        using (var file = File.OpenRead(received.Path))
            format = Probe.FormatOf(file);
        var (kept, note) = format == PictureFormat.Svg ? Cleaned(received) : (received, null);
        // What is kept of an SVG is the cleaned file; both hashes recognise it.
        if (kept != received && workspace.Assets.FindByHash(kept.Sha256) is { } same)
            return new(null, Known(name, same));
        var probed = Probe.Read(kept.Path, format);
        var measured = Measure.Read(kept.Path, probed, stop);
        var id = NewId();
        var facts = new PictureFacts(
            id,
            new(name, format, probed.HasAlpha, probed.Frames, kept.Bytes),
            probed.Size,
            measured.Bytes,
            measured.EdgePx,
            measured.KeepGuess,
            WordsOf(name, given, probed.Embedded)
        );
        if (measured.IsDoubtful)
            note = "Parts of this file may be damaged: look at it before you place it, and copy it again if they are.";
        var claim = Claim(kept.Sha256);
        try
        {
            workspace.Files.Keep(kept);
        }
        catch
        {
            claim.Dispose();
            throw;
        }
        return new(
            new Asset(
                facts,
                received.Sha256,
                kept.Sha256,
                probed.Colour,
                probed.Embedded.TakenOn,
                clock.GetUtcNow(),
                1,
                probed.Size,
                Edits.None,
                measured.Look,
                Colours: measured.Colours
            ),
            new(name, id, Note: note),
            claim
        );
    }

    /// <summary>
    /// What is given stands; the rest is taken from inside the file, and the title at last from its name.
    /// </summary>
    private static PictureMetadata WordsOf(string name, PictureMetadata given, EmbeddedWords embedded)
    {
        static string Or(string first, string second) => first.Length > 0 ? first : second;
        var suggested = FileNames.SuggestTitle(name, Or(embedded.Title, embedded.Description));
        return given with
        {
            Title = Or(
                given.Title,
                Or(
                    suggested,
                    given.Alt.Length is > 0 and <= MaxTitleFromAlt ? given.Alt : Path.GetFileNameWithoutExtension(name)
                )
            ),
            Alt = Or(given.Alt, embedded.Alt),
            Description = Or(given.Description, embedded.Description),
            Credit = Or(given.Credit, embedded.Credit),
            Rights = Or(given.Rights, embedded.Rights),
            Keywords = Or(given.Keywords, embedded.Keywords),
        };
    }

    private (StoredFile Kept, string? Note) Cleaned(StoredFile received)
    {
        if (received.Bytes > Limits.MaxSvgBytes)
            throw new RefusedFileException(
                $"This SVG is larger than {Limits.MaxSvgBytes >> 20} MB: simplify it, or export it as PNG."
            );
        try
        {
            using var file = File.OpenRead(received.Path);
            var (bytes, tookOut) = SvgCleaner.Clean(file);
            return (
                workspace.Files.Derive(received, CleanedEnding, bytes),
                tookOut ? "Scripts or links to other files were taken out of this SVG; what it draws was kept." : null
            );
        }
        catch (XmlException)
        {
            throw new RefusedFileException(
                "This SVG is not well-formed and cannot be read: export it again from the program it came from."
            );
        }
    }

    private static string NameOf(string given)
    {
        var name = new string([
            .. given[(given.LastIndexOfAny(['/', '\\']) + 1)..].Where(c => !char.IsControl(c)),
        ]).Trim();
        return name.Length switch
        {
            0 => "unnamed",
            > 200 => name[^200..],
            _ => name,
        };
    }
}
