using System.Collections.Concurrent;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Core.Colour;
using Dekoro.Core.Editing;
using Dekoro.Imaging;
using Dekoro.Storage;

namespace Dekoro.Application.Preview;

/// <summary>
/// What lies where in the pictures that stand behind words: measured when it is first asked for, and held a while.
/// </summary>
public sealed class Grids(Workspace workspace, PixelQueue pixels)
{
    /// <summary>A grid takes less than 1 MB; a site has few pictures behind words.</summary>
    private const int Max = 100;

    private readonly ConcurrentDictionary<(string Sha256, string Edits), ColourGrid?> _held = new();

    /// <returns>Null where the picture does not decode.</returns>
    public ColourGrid? Of(Asset asset)
    {
        if (_held.Count > Max)
            _held.Clear();
        return _held.GetOrAdd((asset.KeptSha256, EditsText.Write(asset.Edits)), _ =>
        {
            try
            {
                return pixels.Run(token =>
                    Measure.GridOf(workspace.PathOf(asset), asset.Facts.Format, asset.OriginalSize, asset.Edits, token)
                );
            }
            catch (RefusedFileException)
            {
                return null;
            }
        });
    }
}
