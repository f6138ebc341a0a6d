using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Core.Planning;
using NetVips;

namespace Dekoro.Imaging;

/// <summary>What is measured once on the pixels of a picture that comes in.</summary>
/// <param name="Sharpness">Variance of the Laplacian of luminance / variance of luminance, on a copy of 512 px.</param>
/// <param name="IsDoubtful">The decoder got to the end, but complained on the way: parts of the picture may be wrong.</param>
public sealed record Measured(BytesModel Bytes, double Sharpness, KeepBox KeepGuess, bool IsDoubtful);

/// <summary>Decodes a picture once at a modest size and measures it; a truncated file shows here.</summary>
public static class Measure
{
    private const int LookPx = 512;
    private const double GuessShare = 0.3;

    /// <exception cref="RefusedFileException">The pixels do not decode.</exception>
    public static Measured Read(string path, Probed probed, CancellationToken stop = default)
    {
        Vips.EnsureReady();
        try
        {
            var size = probed.Size;
            using var timed = CancellationTokenSource.CreateLinkedTokenSource(stop);
            timed.CancelAfter(Limits.MostTime);
            var wide = Math.Min(size.Width, 1024);
            using var image = Decoded(path, size, wide, timed.Token, out var isDoubtful);
            return new(BytesOf(image, probed.Frames), SharpnessOf(image), KeepGuessOf(image), isDoubtful);
        }
        catch (VipsException)
        {
            throw new RefusedFileException($"This {Probe.Named(probed.Format)} is cut short or damaged and does not decode to the end: copy it again from where it came from.");
        }
    }

    private static Image Decoded(string path, PixelSize size, int widthPx, CancellationToken stop, out bool isDoubtful)
    {
        try
        {
            isDoubtful = false;
            return LadderMaker.Decode(path, size, Cut.Whole(size), widthPx, animated: false, stop, Enums.FailOn.Warning);
        }
        catch (VipsException)
        {
            isDoubtful = true;
            return LadderMaker.Decode(path, size, Cut.Whole(size), widthPx, animated: false, stop);
        }
    }

    private static BytesModel BytesOf(Image image, int frames)
    {
        var quality = RenditionSpec.QualityOf(OutputFormat.WebP);
        var narrow = Math.Max(1, Math.Min(image.Width, 320));
        using var small = image.Resize((double)narrow / image.Width);
        var large = image.WebpsaveBuffer(q: quality, effort: 4, keep: Enums.ForeignKeep.None).Length;
        var less = small.WebpsaveBuffer(q: quality, effort: 4, keep: Enums.ForeignKeep.None).Length;
        return BytesModel.Through(narrow, (double)less * frames, image.Width, (double)large * frames);
    }

    private static double SharpnessOf(Image image)
    {
        using var opaque = image.HasAlpha() ? image.Flatten(background: [255.0]) : image.Copy();
        using var grey = opaque.Colourspace(Enums.Interpretation.Bw);
        var scale = (double)LookPx / Math.Max(grey.Width, grey.Height);
        using var look = (scale < 1 ? grey.Resize(scale) : grey.Copy()).Cast(Enums.BandFormat.Float);
        using var kernel = Image.NewFromArray(new double[,] { { 0, 1, 0 }, { 1, -4, 1 }, { 0, 1, 0 } });
        using var edges = look.Conv(kernel);
        var contrast = Math.Pow(look.Deviate(), 2);
        return contrast < 1 ? 0 : Math.Pow(edges.Deviate(), 2) / contrast;
    }

    /// <summary>A box round the point that draws attention (libvips smartcrop: edges, skin tones, saturated colour).</summary>
    private static KeepBox KeepGuessOf(Image image)
    {
        var side = Math.Max(1, Math.Min(image.Width, image.Height) / 2);
        using var _ = image.Smartcrop(side, side, out var x, out var y, interesting: Enums.Interesting.Attention);
        var (w, h) = (GuessShare, GuessShare);
        return new(Math.Clamp((double)x / image.Width - w / 2, 0, 1 - w), Math.Clamp((double)y / image.Height - h / 2, 0, 1 - h), w, h);
    }
}
