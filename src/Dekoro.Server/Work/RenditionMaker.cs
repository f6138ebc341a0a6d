using System.Collections.Concurrent;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Planning;
using Dekoro.Imaging;
using Dekoro.Storage;

namespace Dekoro.Server.Work;

/// <summary>Makes output files once, however often they are asked for at the same time, and keeps them on disk.</summary>
public sealed class RenditionMaker(Workspace workspace)
{
    /// <summary>Widths that signed-in views use; nothing else is made on their demand.</summary>
    public static readonly IReadOnlyList<int> ProofWidths = [160, 320, 640, 1280];

    private readonly string _folder = workspace.Folder("renditions");
    private readonly ConcurrentDictionary<string, Lazy<Task<string>>> _making = new();

    // One ladder at a time keeps all cores busy by itself; a proof is small and must not wait behind it.
    private readonly SemaphoreSlim _ladders = new(1), _proofs = new(Environment.ProcessorCount);

    public RenditionSpec SpecOf(Asset asset, PlannedFile file) => new(asset.KeptSha256, EditsText.Write(asset.Edits), file.Cut, file.WidthPx, file.Format,
        RenditionSpec.QualityOf(file.Format), asset.Facts.Words.Credit, asset.Facts.Words.Rights);

    /// <summary>The address name of a planned file; unchanged ones go by their original's hash.</summary>
    public string NameOf(Asset asset, PlannedFile file) =>
        file.IsUnchanged ? asset.KeptSha256[..24] + ".svg" : SpecOf(asset, file).Name;

    public string PathOf(string name) => Path.Combine(_folder, name[..2], name);

    /// <summary>One file of a proof, made now.</summary>
    public Task<string> ProofAsync(Asset asset, Cut cut, int widthPx) =>
        OneAsync(asset, new PlannedFile(asset.Id, cut, Math.Min(widthPx, cut.Width), asset.Facts.IsAnimated ? OutputFormat.Gif : OutputFormat.WebP), _proofs);

    /// <summary>One planned file, made now.</summary>
    public Task<string> PlannedAsync(Asset asset, PlannedFile file) => OneAsync(asset, file, _ladders);

    /// <summary>All files of one picture in one cut, those that are missing from one decode.</summary>
    /// <returns>How many were made.</returns>
    public async Task<int> LadderAsync(Asset asset, Cut cut, IReadOnlyCollection<PlannedFile> files, CancellationToken stop)
    {
        await _ladders.WaitAsync(stop);
        try
        {
            var missing = files.Distinct().Where(f => !f.IsUnchanged && !File.Exists(PathOf(NameOf(asset, f)))).ToList();
            if (missing.Count > 0) await Task.Run(() => Make(asset, cut, missing, stop), stop);
            return missing.Count;
        }
        finally
        {
            _ladders.Release();
        }
    }

    public long BytesOf(Asset asset, PlannedFile file) =>
        file.IsUnchanged ? asset.Facts.FileBytes : new FileInfo(PathOf(NameOf(asset, file))).Length;

    private async Task<string> OneAsync(Asset asset, PlannedFile file, SemaphoreSlim turn)
    {
        var name = NameOf(asset, file);
        var path = PathOf(name);
        if (File.Exists(path)) return path;
        var making = _making.GetOrAdd(name, _ => new(async () =>
        {
            await turn.WaitAsync();
            try
            {
                await Task.Run(() => Make(asset, file.Cut, [file], default));
                return path;
            }
            finally
            {
                turn.Release();
            }
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

    /// <summary>Written beside their place and renamed, so that a file under its name is always whole.</summary>
    private void Make(Asset asset, Cut cut, List<PlannedFile> files, CancellationToken stop)
    {
        var steps = files.Select(f =>
        {
            var path = PathOf(NameOf(asset, f));
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            var extension = Path.GetExtension(path);
            return (Step: new LadderStep(f.WidthPx, f.Format, RenditionSpec.QualityOf(f.Format), Path.ChangeExtension(path, $".{Guid.NewGuid():N}{extension}")), Path: path);
        }).ToList();
        try
        {
            LadderMaker.Make(workspace.PathOf(asset), asset.OriginalSize, asset.Edits, cut, asset.Facts.IsAnimated, [.. steps.Select(s => s.Step)],
                asset.Facts.Words.Credit, asset.Facts.Words.Rights, stop, effort: workspace.Places.Effort);
            foreach (var (step, path) in steps) File.Move(step.Path, path, overwrite: true);
        }
        finally
        {
            foreach (var (step, _) in steps) File.Delete(step.Path);
        }
    }
}
