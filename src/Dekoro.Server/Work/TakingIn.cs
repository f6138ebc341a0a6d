using System.Security.Cryptography;
using System.Xml;
using Dekoro.Core.Library;
using Dekoro.Imaging;
using Dekoro.Storage;

namespace Dekoro.Server.Work;

/// <summary>What became of one file that was given.</summary>
/// <param name="Id">The picture's id; null where it was refused.</param>
/// <param name="WasThere">The same file was in the library already, under this id.</param>
/// <param name="Note">Something the person should know although the file was taken.</param>
/// <param name="Error">A sentence saying why it was refused and what to do.</param>
public sealed record Taken(string Name, string? Id, bool WasThere = false, string? Note = null, string? Error = null);

/// <summary>Takes files into the library: received, recognised, cleaned, probed, measured, recorded.</summary>
public sealed class TakingIn(Workspace workspace, Events events, TimeProvider clock)
{
    /// <summary>Decoding is what costs memory; receiving may go on beside it.</summary>
    private readonly SemaphoreSlim _decoding = new(Environment.ProcessorCount);

    private const string CleanedEnding = ".clean";

    /// <summary>Never throws for a bad file: each file has its own outcome, and the others go on.</summary>
    public async Task<Taken> TakeAsync(string givenName, Stream content, string? folder, CancellationToken stop)
    {
        var name = NameOf(givenName);
        StoredFile? received = null;
        try
        {
            received = await workspace.Files.ReceiveAsync(content, Limits.MostFileBytes, stop);
            if (workspace.Assets.FindByHash(received.Sha256) is { } same) return new(name, same.Id, WasThere: true);
            await _decoding.WaitAsync(stop);
            try
            {
                var taken = await Task.Run(() => Record(name, received, folder ?? "", stop), stop);
                events.Send("library", new { id = taken.Id });
                return taken;
            }
            finally
            {
                _decoding.Release();
            }
        }
        catch (RefusedFileException e)
        {
            return new(name, null, Error: e.Message);
        }
        catch (IOException e) when (IsFull(e))
        {
            return new(name, null, Error: "The disk is full, so this file was not kept; everything added before is safe. Free some space, then try it again.");
        }
        finally
        {
            if (received is not null) workspace.Files.Drop(received);
            if (received is not null) File.Delete(received.Path + CleanedEnding);
        }
    }

    private Taken Record(string name, StoredFile received, string folder, CancellationToken stop)
    {
        PictureFormat format;
        using (var file = File.OpenRead(received.Path)) format = Probe.FormatOf(file);
        var (kept, note) = format == PictureFormat.Svg ? Cleaned(received) : (received, null);
        // What is kept of an SVG is the cleaned file; both hashes recognise it.
        if (kept != received && workspace.Assets.FindByHash(kept.Sha256) is { } same) return new(name, same.Id, WasThere: true);
        var probed = Probe.Read(kept.Path, format);
        var measured = Measure.Read(kept.Path, probed, stop);
        var id = RandomNumberGenerator.GetHexString(12, lowercase: true);
        var words = new Words(
            Title: FileNames.SuggestTitle(name, probed.Embedded.Title.Length > 0 ? probed.Embedded.Title : probed.Embedded.Description) is { Length: > 0 } title ? title : Path.GetFileNameWithoutExtension(name),
            Alt: probed.Embedded.Alt, Description: probed.Embedded.Description, Credit: probed.Embedded.Credit, Rights: probed.Embedded.Rights, Folder: folder);
        var facts = new PictureFacts(id, name, format, probed.Size, probed.HasAlpha, probed.Frames, kept.Bytes, measured.Bytes, measured.Sharpness, measured.KeepGuess, words);
        workspace.Files.Keep(kept);
        try
        {
            workspace.Assets.Add(new Asset(facts, received.Sha256, kept.Sha256, probed.Colour, KeepByHand: false, probed.Embedded.TakenOn, clock.GetUtcNow(), 1));
        }
        catch (Microsoft.Data.Sqlite.SqliteException e) when (e.SqliteErrorCode == 19 && workspace.Assets.FindByHash(received.Sha256) is { } other)
        {
            // The same file came twice at the same moment.
            return new(name, other.Id, WasThere: true);
        }
        return new(name, id, Note: note);
    }

    private (StoredFile Kept, string? Note) Cleaned(StoredFile received)
    {
        if (received.Bytes > Limits.MostSvgBytes) throw new RefusedFileException($"This SVG is larger than {Limits.MostSvgBytes >> 20} MB: simplify it, or export it as PNG.");
        try
        {
            using var file = File.OpenRead(received.Path);
            var (bytes, tookOut) = SvgCleaner.Clean(file);
            var path = received.Path + CleanedEnding;
            File.WriteAllBytes(path, bytes);
            return (new(Convert.ToHexStringLower(SHA256.HashData(bytes)), bytes.Length, path),
                tookOut ? "Scripts or links to other files were taken out of this SVG; what it draws was kept." : null);
        }
        catch (XmlException)
        {
            throw new RefusedFileException("This SVG is not well-formed and cannot be read: export it again from the program it came from.");
        }
    }

    private static string NameOf(string given)
    {
        var name = new string([.. given[(given.LastIndexOfAny(['/', '\\']) + 1)..].Where(c => !char.IsControl(c))]).Trim();
        return name.Length switch { 0 => "unnamed", > 200 => name[^200..], _ => name };
    }

    /// <summary>ENOSPC or EDQUOT, as .NET reports them on Linux.</summary>
    private static bool IsFull(IOException e) => (e.HResult & 0xFFFF) is 28 or 122 || e.Message.Contains("No space left", StringComparison.Ordinal);
}
