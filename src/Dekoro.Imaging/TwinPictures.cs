using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Twins;
using NetVips;

namespace Dekoro.Imaging;

/// <summary>Two pictures that look the same, for a person to tell apart.</summary>
public static class TwinPictures
{
    private const int WidthPx = 720,
        Quality = 84;

    /// <summary>A difference of so many steps of 255 is drawn in full.</summary>
    private const double FullSteps = 48;

    /// <summary>What is the same is drawn pale, what is not in this.</summary>
    private static readonly double[] Ink = [176, 32, 20];

    /// <summary>One of them as it came in, as WebP.</summary>
    /// <exception cref="RefusedFileException">The file cannot be read.</exception>
    public static byte[] Whole(string path, PixelSize size, CancellationToken stop) =>
        Made(() =>
        {
            using var image = Decoded(path, size, View.Whole, stop);
            return image.WebpsaveBuffer(q: Quality, keep: Enums.ForeignKeep.None);
        });

    /// <summary>The first, pale, with all in which the second differs beside its tones drawn on it.</summary>
    /// <exception cref="RefusedFileException">A file cannot be read.</exception>
    public static byte[] Difference(
        (string Path, PixelSize Size) first,
        (string Path, PixelSize Size) second,
        TwinMatch match,
        CancellationToken stop
    ) =>
        Made(() =>
        {
            using var one = Decoded(first.Path, first.Size, match.InFirst, stop);
            using var raw = Decoded(second.Path, second.Size, match.InSecond, stop);
            using var turned = match.IsMirrored ? raw.FlipHor() : raw.Copy();
            using var two = turned.ThumbnailImage(one.Width, height: one.Height, size: Enums.Size.Force);
            using var toned = InTonesOf(one, two);
            using var apart = (one - toned).Abs();
            // Neighbours together: grain and the edges of another encoding are not what a person looks for.
            using var soft = apart.Gaussblur(1.2);
            using var strongest = Strongest(soft);
            using var share = (strongest / FullSteps).Cast(Enums.BandFormat.Float);
            using var held = (share > 1).Ifthenelse(1.0, share);
            using var pale = one * 0.35 + 255 * 0.65;
            using var drawn = pale * (held * -1 + 1) + Inked(held);
            using var bytes = drawn.Cast(Enums.BandFormat.Uchar).Copy(interpretation: Enums.Interpretation.Srgb);
            return bytes.WebpsaveBuffer(q: Quality, keep: Enums.ForeignKeep.None);
        });

    private static byte[] Made(Func<byte[]> make)
    {
        Vips.EnsureReady();
        try
        {
            return make();
        }
        catch (VipsException)
        {
            throw new RefusedFileException("The file cannot be read any more: add it again from where it came from.");
        }
    }

    /// <summary>A picture in the mean and the spread of each channel of another: tones are told in words.</summary>
    private static Image InTonesOf(Image one, Image two)
    {
        var channels = Enumerable
            .Range(0, 3)
            .Select(c =>
            {
                using var a = one[c];
                using var b = two[c];
                var gain = a.Deviate() / Math.Max(1, b.Deviate());
                return (Gain: gain, Offset: a.Avg() - gain * b.Avg());
            })
            .ToList();
        return two.Linear([.. channels.Select(c => c.Gain)], [.. channels.Select(c => c.Offset)]);
    }

    private static Image Inked(Image share) => share.Bandjoin(share, share) * Ink;

    private static Image Strongest(Image apart)
    {
        using var more = (apart[0] > apart[1]).Ifthenelse(apart[0], apart[1]);
        return (more > apart[2]).Ifthenelse(more, apart[2]);
    }

    private static Image Decoded(string path, PixelSize size, View view, CancellationToken stop)
    {
        var cut = view.On(size);
        using var image = LadderMaker.Decode(
            new(path, size, Edits.None, cut, IsAnimated: false),
            Math.Min(cut.Width, WidthPx),
            stop,
            Enums.FailOn.Truncated
        );
        using var opaque = image.HasAlpha() ? image.Flatten(background: [240.0]) : image.Copy();
        using var colours = opaque.Colourspace(Enums.Interpretation.Srgb);
        return colours.ExtractBand(0, n: 3).CopyMemory();
    }
}
