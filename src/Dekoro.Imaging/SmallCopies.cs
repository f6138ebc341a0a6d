using System.Collections.Immutable;
using Dekoro.Core.Twins;
using NetVips;

namespace Dekoro.Imaging;

/// <summary>Makes small copies of pictures, and keeps them in a kilobyte or two.</summary>
public static class SmallCopies
{
    private const int Quality = 80;

    internal static SmallCopy Of(Image image)
    {
        using var small = image.ThumbnailImage(SmallCopy.LongerPx, height: SmallCopy.LongerPx, size: Enums.Size.Down);
        return Pixels(small);
    }

    /// <summary>WebP, with what can be seen through.</summary>
    public static byte[] ToWebP(SmallCopy copy)
    {
        Vips.EnsureReady();
        using var image = Image.NewFromMemoryCopy(
            copy.Rgba.AsSpan().ToArray(),
            copy.Width,
            copy.Height,
            4,
            Enums.BandFormat.Uchar
        );
        using var colours = image.Copy(interpretation: Enums.Interpretation.Srgb);
        return colours.WebpsaveBuffer(q: Quality, keep: Enums.ForeignKeep.None);
    }

    /// <summary>What <see cref="ToWebP"/> made.</summary>
    public static SmallCopy Read(byte[] webP)
    {
        Vips.EnsureReady();
        using var image = Image.WebploadBuffer(webP);
        return Pixels(image);
    }

    private static SmallCopy Pixels(Image image)
    {
        using var colours = image.Colourspace(Enums.Interpretation.Srgb);
        using var whole = colours.HasAlpha() ? colours.Copy() : colours.Bandjoin(255);
        using var bytes = whole.Cast(Enums.BandFormat.Uchar);
        return new(bytes.Width, bytes.Height, ImmutableArray.Create(bytes.WriteToMemory<byte>()));
    }
}
