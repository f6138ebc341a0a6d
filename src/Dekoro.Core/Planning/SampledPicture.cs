using Dekoro.Core.Colour;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Media;

namespace Dekoro.Core.Planning;

/// <summary>A picture as it fills a box, at a few samples.</summary>
/// <param name="Window">The part that fills the box; null for one tile after the other.</param>
/// <param name="Behind">Shines through where the picture does.</param>
internal sealed record SampledPicture(PictureFacts Picture, Cut? Window, ColourGrid Grid, Srgb Behind, BoxPx Box)
{
    /// <summary>What lies under a piece of words, in squares of <see cref="Readability.SamplePx"/>.</summary>
    public WordsGround Under(Laid words) => SampledWords.Over(words, At);

    private Srgb At(BoxPx square)
    {
        var (left, top) = (square.Left - Box.Left, square.Top - Box.Top);
        if (Window is not { } w)
        {
            // Where in its own tile a square lies.
            var (tileWidth, tileHeight) = Placed.TilePx(Picture);
            return Grid.MeanOf(
                left % tileWidth / tileWidth,
                top % tileHeight / tileHeight,
                square.Width / tileWidth,
                square.Height / tileHeight,
                Behind
            );
        }
        // The window fills the box: source px for each CSS px is the same both ways, but for the rounding of the cut.
        var (sx, sy) = (w.Width / Box.Width, w.Height / Box.Height);
        return Grid.MeanOf(
            (w.X + left * sx) / Picture.Size.Width,
            (w.Y + top * sy) / Picture.Size.Height,
            square.Width * sx / Picture.Size.Width,
            square.Height * sy / Picture.Size.Height,
            Behind
        );
    }
}
