using Dekoro.Application.Hosting;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Imaging;
using Dekoro.Storage;

namespace Dekoro.Application.Pictures;

/// <summary>Makes versions of pictures: measured on their pixels, recorded, used everywhere.</summary>
public sealed class Versions(Workspace workspace, PixelQueue pixels, TimeProvider clock)
{
    /// <param name="keep">The keep area in the edited picture; null lets a guess stand in.</param>
    /// <param name="replaces">The version of which this is a later state; null makes a new one.</param>
    /// <returns>Its number; null where the picture has changed meanwhile.</returns>
    /// <exception cref="RefusedFileException">The pixels do not decode.</exception>
    public int? Use(
        Asset asset,
        Edits edits,
        FocalRegion? keep,
        bool keepByHand,
        int? replaces = null,
        CancellationToken stop = default
    )
    {
        var measured = pixels.Run(
            token => Measure.Read(workspace.PathOf(asset), asset.Facts.Format, asset.OriginalSize, edits, token),
            stop
        );
        var now = clock.GetUtcNow();
        return workspace.Editions.Use(
            asset,
            new Edition(
                0,
                edits,
                edits.SizeOf(asset.OriginalSize),
                measured.Bytes,
                measured.EdgePx,
                keep ?? measured.KeepGuess,
                keep is not null && keepByHand,
                now
            ),
            replaces,
            now
        );
    }

    /// <summary>Gives a picture that has just come in the version and keep area it had elsewhere.</summary>
    public void Restore(string id, Edits? edits, FocalRegion? keep)
    {
        if (workspace.Assets.Find(id) is not { } asset)
            return;
        if (edits is { IsNone: false } && asset.Facts.WhyNotEdited is null)
        {
            try
            {
                Use(asset, edits, keep, keepByHand: true);
                return;
            }
            catch (RefusedFileException)
            {
                // The original is in; a version that cannot be made is left out.
            }
        }
        if (keep is not null)
            workspace.Assets.Change(id, asset.Version, asset.Facts.Metadata, keep, keepByHand: true);
    }
}
