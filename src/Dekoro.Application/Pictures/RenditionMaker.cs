using System.Collections.Concurrent;
using System.Security.Cryptography;
using Dekoro.Application.Hosting;
using Dekoro.Core.Delivery;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Planning;
using Dekoro.Imaging;
using Dekoro.Storage;

namespace Dekoro.Application.Pictures;

/// <summary>
/// Makes output files once, however often they are asked for at the same time, and keeps them on disk with their length
/// and hash: one that is no longer as it was made is made anew.
/// </summary>
public sealed class RenditionMaker(Workspace workspace, PixelQueue pixels, TimeProvider clock)
{
    /// <summary>Widths that signed-in views use; nothing else is made on their demand.</summary>
    public static readonly IReadOnlyList<int> ProofWidths = [160, 320, 640, 1280];

    /// <summary>
    /// A file that nothing has asked for so long is taken off the disk; asked for again, it is made again.
    /// </summary>
    public const int KeptDays = 30;

    private readonly string _folder = workspace.Folder("renditions");
    private readonly ConcurrentDictionary<string, Lazy<Task<string>>> _making = new();

    /// <summary>What is asked for with a planned file, in full.</summary>
    public RenditionSpec SpecOf(Asset asset, PlannedFile file) =>
        new(
            asset.KeptSha256,
            EditsText.Write(asset.Edits),
            file.Cut,
            file.WidthPx,
            file.Format,
            RenditionSpec.QualityOf(file.Format),
            asset.Facts.Metadata.Credit,
            asset.Facts.Metadata.Rights
        );

    /// <summary>The address name of a planned file; unchanged ones go by their original's hash.</summary>
    public string NameOf(Asset asset, PlannedFile file) =>
        file.IsUnchanged ? asset.KeptSha256[..24] + ".svg" : SpecOf(asset, file).Name;

    /// <summary>Where a made file of this name lies.</summary>
    public string PathOf(string name) => Path.Combine(_folder, name[..2], name);

    /// <summary>One file of a proof, made now.</summary>
    public Task<string> ProofAsync(Asset asset, Cut cut, int widthPx) =>
        OneAsync(
            asset,
            new PlannedFile(
                asset.Id,
                cut,
                Math.Min(widthPx, cut.Width),
                asset.Facts.IsAnimated ? OutputFormat.Gif : OutputFormat.WebP
            ),
            PixelWork.Asked
        );

    /// <summary>One planned file, made now.</summary>
    public Task<string> PlannedAsync(Asset asset, PlannedFile file) => OneAsync(asset, file, PixelWork.Ladder);

    /// <summary>All files of one picture in one cut, those that are missing from one decode.</summary>
    /// <returns>How many were made.</returns>
    /// <exception cref="NotMadeException">It cannot be made into them.</exception>
    public async Task<int> LadderAsync(
        Asset asset,
        Cut cut,
        IReadOnlyCollection<PlannedFile> files,
        CancellationToken stop
    )
    {
        var names = files.Distinct().Where(f => !f.IsUnchanged).ToDictionary(f => NameOf(asset, f));
        var known = workspace.MadeFiles.FindMany(names.Keys).ToDictionary(m => m.Name);
        var missing = names.Where(f => !IsWhole(known.GetValueOrDefault(f.Key))).Select(f => f.Value).ToList();
        try
        {
            if (missing.Count > 0)
                await pixels.RunAsync(PixelWork.Ladder, token => Make(asset, cut, missing, token), stop);
        }
        catch (RefusedFileException e)
        {
            throw new NotMadeException(asset.Facts.Metadata.Title, e);
        }
        workspace.MadeFiles.Ask(names.Keys, Today);
        return missing.Count;
    }

    /// <summary>As it was made; null where it was not, or is no longer there.</summary>
    public MadeFile? Find(string name) => workspace.MadeFiles.Find(name) is { } known && IsWhole(known) ? known : null;

    /// <summary>Those of some names that are made, as long as they were written; looked up all at once.</summary>
    public IReadOnlyDictionary<string, MadeFile> Whole(IReadOnlyCollection<string> names) =>
        workspace.MadeFiles.FindMany(names).Where(made => IsWhole(made)).ToDictionary(made => made.Name);

    /// <summary>Something asks for them, made or not: they are kept.</summary>
    public void Keep(IReadOnlyCollection<string> names) => workspace.MadeFiles.Ask(names, Today);

    /// <summary>Takes away what nothing has asked for long enough, and what a crash left without a record.</summary>
    /// <param name="served">Names of those that visitors are given, whatever the records say.</param>
    /// <returns>How many files went.</returns>
    public int Collect(IReadOnlyCollection<string> served)
    {
        workspace.MadeFiles.Ask(served, Today);
        var kept = served.ToHashSet(StringComparer.Ordinal);
        var gone = workspace.MadeFiles.RemoveNotAskedSince(Today.AddDays(-KeptDays));
        foreach (var name in gone)
            File.Delete(PathOf(name));
        var recorded = workspace.MadeFiles.Names();
        var aDayAgo = DateTime.UtcNow.AddDays(-1);
        var left = Directory
            .EnumerateFiles(_folder, "*", SearchOption.AllDirectories)
            .Where(f =>
                !recorded.Contains(Path.GetFileName(f))
                && !kept.Contains(Path.GetFileName(f))
                && File.GetLastWriteTimeUtc(f) < aDayAgo
            )
            .ToList();
        foreach (var file in left)
            File.Delete(file);
        return gone.Count + left.Count;
    }

    private DateOnly Today => DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime);

    private bool IsWhole(MadeFile? made) =>
        made is not null && new FileInfo(PathOf(made.Name)) is { Exists: true } file && file.Length == made.Bytes;

    private static string HashOf(string path)
    {
        using var file = File.OpenRead(path);
        return Convert.ToHexStringLower(SHA256.HashData(file));
    }

    private async Task<string> OneAsync(Asset asset, PlannedFile file, PixelWork kind)
    {
        var name = NameOf(asset, file);
        var path = PathOf(name);
        if (Find(name) is null)
        {
            var making = _making.GetOrAdd(name, _ => new(async () =>
                {
                    await pixels.RunAsync(kind, token => Make(asset, file.Cut, [file], token), default);
                    return path;
                }));
            try
            {
                return await making.Value;
            }
            finally
            {
                _making.TryRemove(name, out _);
            }
        }
        workspace.MadeFiles.Ask([name], Today);
        return path;
    }

    /// <summary>
    /// Written beside their place, flushed and renamed, then recorded: a file that a record names is whole.
    /// </summary>
    private int Make(Asset asset, Cut cut, List<PlannedFile> files, CancellationToken stop)
    {
        var steps = files
            .Select(f =>
            {
                var path = PathOf(NameOf(asset, f));
                workspace.Layer.MakeFolder(Path.GetDirectoryName(path)!);
                var extension = Path.GetExtension(path);
                return (
                    Step: new LadderStep(
                        f.WidthPx,
                        f.Format,
                        RenditionSpec.QualityOf(f.Format),
                        Path.ChangeExtension(path, $".{Guid.NewGuid():N}{extension}")
                    ),
                    Path: path
                );
            })
            .ToList();
        try
        {
            LadderMaker.Make(
                new(workspace.PathOf(asset), asset.OriginalSize, asset.Edits, cut, asset.Facts.IsAnimated),
                [.. steps.Select(s => s.Step)],
                new(asset.Facts.Metadata.Credit, asset.Facts.Metadata.Rights),
                stop,
                effort: workspace.Places.Effort
            );
            var made = new List<MadeFile>();
            foreach (var (step, path) in steps)
            {
                made.Add(new(Path.GetFileName(path), new FileInfo(step.Path).Length, HashOf(step.Path)));
                workspace.Layer.FlushFile(step.Path);
                workspace.Layer.Move(step.Path, path);
            }
            foreach (var folder in steps.Select(s => Path.GetDirectoryName(s.Path)!).Distinct())
                workspace.Layer.FlushFolder(folder);
            workspace.MadeFiles.Record(made, Today);
            return made.Count;
        }
        finally
        {
            foreach (var (step, _) in steps)
                File.Delete(step.Path);
        }
    }
}
