using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using NetVips;

namespace Dekoro.Imaging;

/// <summary>
/// Carries edits out on pixels: turns and mirroring exactly, a slant by one resampling, colours by tables.
/// </summary>
internal static class Editing
{
    /// <param name="upright">The original, scaled as a whole, orientation applied.</param>
    /// <param name="original">Its true size.</param>
    /// <param name="scale">Of what comes out: its px over px of the edited picture.</param>
    public static Image Geometry(Image upright, Edits edits, PixelSize original, double scale)
    {
        if (!edits.ChangesGeometry)
            return upright.Copy();
        var image = edits.IsMirrored ? upright.FlipHor() : upright;
        image = edits.QuarterTurns switch
        {
            1 => image.Rot90(),
            2 => image.Rot180(),
            3 => image.Rot270(),
            _ => image,
        };
        var turned = edits.QuarterTurns % 2 == 0 ? original : new PixelSize(original.Height, original.Width);
        var size = edits.SizeOf(original);
        var (w, h) = (
            Math.Max(1, (int)Math.Round(size.Width * scale)),
            Math.Max(1, (int)Math.Round(size.Height * scale))
        );
        // What is left after turning: the slant and the cut, from the turned picture as it really came out.
        var map = Edits.Of(0, false, edits.StraightenDeg, edits.Window, Adjustments.None).MapFrom(turned);
        var (sx, sy) = ((double)image.Width / turned.Width, (double)image.Height / turned.Height);
        if (edits.StraightenDeg != 0)
        {
            return image.Affine(
                [map.A * scale / sx, map.C * scale / sy, map.B * scale / sx, map.D * scale / sy],
                interpolate: Interpolate.NewFromName("bicubic"),
                oarea: [0, 0, w, h],
                odx: map.E * scale,
                ody: map.F * scale,
                extend: Enums.Extend.Copy
            );
        }
        (w, h) = (Math.Min(w, image.Width), Math.Min(h, image.Height));
        return image.Crop(
            Math.Clamp((int)Math.Round(-map.E * sx), 0, image.Width - w),
            Math.Clamp((int)Math.Round(-map.F * sy), 0, image.Height - h),
            w,
            h
        );
    }

    /// <summary>Light and colour, on sRGB; what shows through stays.</summary>
    public static Image Colours(Image image, Adjustments adjustments)
    {
        if (
            (
                adjustments.Sharpen == 0
                    ? adjustments
                    : Adjustments.Of(
                        adjustments.Light,
                        adjustments.Contrast,
                        adjustments.Shadows,
                        adjustments.Colour,
                        adjustments.Warmth
                    )
            ).IsNone
        )
            return image.Copy();
        using var inColour = image.Bands < 3 ? image.Colourspace(Enums.Interpretation.Srgb) : image.Copy();
        using var rgb = inColour.HasAlpha() ? inColour.ExtractBand(0, n: 3) : inColour.Copy();
        using var mapped = rgb.Maplut(TableOf(adjustments));
        var m = adjustments.ColourMatrix;
        using var matrix = Image.NewFromArray(
            new[,]
            {
                { m[0], m[1], m[2] },
                { m[3], m[4], m[5] },
                { m[6], m[7], m[8] },
            }
        );
        var coloured = adjustments.Colour == 0 ? mapped.Copy() : mapped.Recomb(matrix).Cast(Enums.BandFormat.Uchar);
        return inColour.HasAlpha() ? coloured.Bandjoin(inColour[inColour.Bands - 1]) : coloured;
    }

    /// <summary>On the finished size, so that every file is as crisp as the next.</summary>
    public static Image Sharpened(Image image, Adjustments adjustments)
    {
        if (adjustments.Sharpen == 0)
            return image.Copy();
        var k = adjustments.SharpenKernel;
        using var kernel = Image.NewFromArray(
            new[,]
            {
                { k[0], k[1], k[2] },
                { k[3], k[4], k[5] },
                { k[6], k[7], k[8] },
            }
        );
        if (!image.HasAlpha())
            return image.Conv(kernel).Cast(Enums.BandFormat.Uchar);
        using var colours = image.ExtractBand(0, n: image.Bands - 1);
        return colours.Conv(kernel).Cast(Enums.BandFormat.Uchar).Bandjoin(image[image.Bands - 1]);
    }

    private static Image TableOf(Adjustments adjustments)
    {
        var table = new byte[256 * 3];
        for (var i = 0; i < 256; i++)
        {
            var (r, g, b) = (i / 255.0, i / 255.0, i / 255.0);
            foreach (var (red, green, blue) in adjustments.Curves)
                (r, g, b) = (red.At(r), green.At(g), blue.At(b));
            (table[i * 3], table[i * 3 + 1], table[i * 3 + 2]) = (Byte(r), Byte(g), Byte(b));
        }
        return Image.NewFromMemoryCopy(table, 256, 1, 3, Enums.BandFormat.Uchar);

        static byte Byte(double x) => (byte)Math.Round(Math.Clamp(x, 0, 1) * 255);
    }
}
