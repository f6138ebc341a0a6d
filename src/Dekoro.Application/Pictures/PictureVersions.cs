using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Publication;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Imaging;
using Dekoro.Storage;
using Result = Dekoro.Application.Changes.ChangeResult<Dekoro.Storage.Asset>;

namespace Dekoro.Application.Pictures;

/// <summary>Versions of pictures as the picture room keeps and chooses them.</summary>
public sealed class PictureVersions(
    Workspace workspace,
    Versions versions,
    PixelQueue pixels,
    Events events,
    BackgroundWork background,
    TimeProvider clock
)
{
    /// <summary>The keep area of the version in use, where it comes to lie under other edits.</summary>
    public static FocalRegion? FollowedKeep(Asset asset, Edits edits) =>
        asset.Facts.Keep is { } keep ? asset.Edits.Follow(keep, edits, asset.OriginalSize) : null;

    /// <summary>Keeps a version and uses it everywhere.</summary>
    /// <param name="version">Of the picture, from which the change started.</param>
    /// <param name="keep">The keep area in the edited picture; null lets it follow from the version in use.</param>
    /// <param name="replaces">The version of which this is a later state; null makes a new one.</param>
    public async Task<Result> KeepAsync(
        string id,
        long version,
        Edits edits,
        FocalRegion? keep,
        int? replaces,
        CancellationToken stop
    )
    {
        if (workspace.Assets.Find(id) is not { } asset)
            return new Result.NotThere(Thing.Picture);
        if (asset.Facts.WhyNotEdited is { } sentence)
            return new Result.Conflict(sentence);
        if (version != asset.Version)
            return Stale(id);
        try
        {
            var area = keep ?? FollowedKeep(asset, edits);
            var number = await Task.Run(() => versions.Use(asset, edits, area, asset.KeepByHand, replaces, stop), stop);
            return number is null ? Stale(id) : Used(id);
        }
        catch (RefusedFileException e)
        {
            return new Result.Undecodable(e.Message);
        }
    }

    /// <summary>Uses an older version everywhere.</summary>
    /// <param name="version">Of the picture, from which the change started.</param>
    public Result Use(string id, long version, int number)
    {
        if (workspace.Assets.Find(id) is not { } asset)
            return new Result.NotThere(Thing.Picture);
        if (version != asset.Version)
            return Stale(id);
        if (asset.Facts.Edition == number)
            return new Result.Done(asset);
        if (workspace.Editions.Find(id, number) is not { } edition)
            return new Result.NotThere(Thing.Version);
        return workspace.Editions.Use(asset, edition, null, clock.GetUtcNow()) is null ? Stale(id) : Used(id);
    }

    /// <summary>Light, contrast and warmth that would even it out.</summary>
    public ChangeResult<Adjustments> EvenOut(string id) =>
        workspace.Assets.Find(id) is { } asset && asset.Facts.WhyNotEdited is { } sentence
            ? new ChangeResult<Adjustments>.Conflict(sentence)
            : Measured(id, (path, asset, stop) =>
                Core.Editing.EvenOut.Of(Measure.Tones(path, asset.Facts.Format, asset.OriginalSize, asset.Edits, stop))
            );

    /// <summary>A first guess of what must stay in view.</summary>
    public ChangeResult<FocalRegion> GuessKeep(string id) =>
        Measured(id, (path, asset, stop) =>
            Measure.KeepGuessOf(path, asset.Facts.Format, asset.OriginalSize, asset.Edits, stop)
        ) switch
        {
            ChangeResult<FocalRegion?>.Done { Now: { } guess } => new ChangeResult<FocalRegion>.Done(guess),
            ChangeResult<FocalRegion?>.Done => new ChangeResult<FocalRegion>.Conflict(
                "Nothing in this picture stands out clearly: draw the keep area round what matters."
            ),
            ChangeResult<FocalRegion?>.Undecodable not => new ChangeResult<FocalRegion>.Undecodable(not.Sentence),
            _ => new ChangeResult<FocalRegion>.NotThere(Thing.Picture),
        };

    /// <summary>Where the version in use is sharpest; null where it has too few edges to tell.</summary>
    public ChangeResult<(FocalRegion Box, double EdgePx)?> Sharpest(string id) =>
        Measured(id, (path, asset, stop) =>
            Measure.SharpestOf(path, asset.Facts.Format, asset.OriginalSize, asset.Edits, stop)
        );

    private ChangeResult<T> Measured<T>(string id, Func<string, Asset, CancellationToken, T> measure)
    {
        if (workspace.Assets.Find(id) is not { } asset)
            return new ChangeResult<T>.NotThere(Thing.Picture);
        try
        {
            return new ChangeResult<T>.Done(pixels.Run(stop => measure(workspace.PathOf(asset), asset, stop)));
        }
        catch (RefusedFileException e)
        {
            return new ChangeResult<T>.Undecodable(e.Message);
        }
    }

    private Result Stale(string id) =>
        workspace.Assets.Find(id) is { } now
            ? new Result.Stale(
                "Someone changed this picture meanwhile, so yours was not kept: it is still here. Choose "
                    + "which to go on with.",
                now
            )
            : new Result.NotThere(Thing.Picture);

    private Result.Done Used(string id)
    {
        events.Send("library", new { id });
        background.Prepare();
        return new(workspace.Assets.Find(id)!);
    }
}
