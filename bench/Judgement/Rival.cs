using Dekoro.Core.Geometry;
using NetVips;

namespace Dekoro.Bench;

/// <summary>What was suggested before: a box round the point that draws attention (libvips smartcrop).</summary>
internal static class Rival
{
    private const double Share = 0.3;

    public static FocalRegion Attention(string path)
    {
        using var image = Image.Thumbnail(path, 1024, height: 100_000);
        var side = Math.Max(1, Math.Min(image.Width, image.Height) / 2);
        using var _ = image.Smartcrop(side, side, out var x, out var y, interesting: Enums.Interesting.Attention);
        return new(
            Math.Clamp((double)x / image.Width - Share / 2, 0, 1 - Share),
            Math.Clamp((double)y / image.Height - Share / 2, 0, 1 - Share),
            Share,
            Share
        );
    }
}
