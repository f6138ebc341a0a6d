using System.Collections.Immutable;
using Dekoro.Core.Colour;
using Dekoro.Core.Delivery;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Twins;
using NetVips;

namespace Dekoro.Imaging;

/// <summary>Decodes a picture once at a modest size and measures it; a truncated file shows here.</summary>
public static class Measure
{
    private const int ColourPx = 96,
        SubjectPx = 160,
        GridPx = 512,
        DecodePx = 1024;

    /// <summary>Edges of larger pictures are told from a copy that is half as wide, or a third.</summary>
    private const double EdgesAreaPx = 7_000_000;

    /// <exception cref="RefusedFileException">The pixels do not decode, or time ran out.</exception>
    public static Measured Read(string path, Probed probed, CancellationToken stop = default) =>
        Within(probed.Format, stop, token =>
        {
            var isDoubtful = false;
            Image once;
            try
            {
                once = ForEdges(path, probed.Size, Enums.FailOn.Warning, token);
            }
            catch (VipsException) when (!token.IsCancellationRequested)
            {
                isDoubtful = true;
                once = ForEdges(path, probed.Size, Enums.FailOn.Truncated, token);
            }
            // Decoding is most of the work: what is told from a smaller copy is told from a copy of this one.
            using (once)
            using (var image = Managed(once, Math.Min(probed.Size.Width, DecodePx)))
                return new Measured(
                    BytesOf(image, probed.Frames),
                    InGrey(once, ByOf(probed.Size), EdgePxIn),
                    KeepGuessOf(image),
                    Look.Of(SmallCopies.Of(image), probed.Size.Shape),
                    ColoursOf(image),
                    isDoubtful
                );
        });

    /// <summary>A picture as large as edges are told from it, held; no colour is managed yet.</summary>
    private static Image ForEdges(string path, PixelSize size, Enums.FailOn failOn, CancellationToken stop)
    {
        using var image = Image.Thumbnail(
            path,
            Math.Max(1, size.Width / ByOf(size)),
            height: 100_000,
            size: Enums.Size.Down,
            failOn: failOn
        );
        Vips.LimitTime(image, stop);
        return image.CopyMemory();
    }

    /// <summary>A smaller copy in sRGB.</summary>
    private static Image Managed(Image image, int widthPx)
    {
        // Nothing is to be managed of what is in sRGB already.
        var isThere = image.Interpretation == Enums.Interpretation.Srgb && !image.Contains("icc-profile-data");
        var profile = isThere ? null : "srgb";
        using var small = image.ThumbnailImage(
            widthPx,
            height: 100_000,
            outputProfile: profile,
            inputProfile: profile,
            intent: Enums.Intent.Relative
        );
        return small.CopyMemory();
    }

    /// <summary>So many px of a picture are one of the copy that edges are told from.</summary>
    private static int ByOf(PixelSize size) => Math.Max(1, (int)Math.Ceiling(Math.Sqrt(size.Area / EdgesAreaPx)));

    /// <summary>Measures a version of a picture that was read before.</summary>
    /// <exception cref="RefusedFileException">The pixels do not decode, or time ran out.</exception>
    public static Measured Read(
        string path,
        PictureFormat format,
        PixelSize original,
        Edits edits,
        CancellationToken stop = default
    ) => Within(format, stop, token =>
        {
            using var image = Decoded(path, original, edits, Enums.FailOn.Truncated, token);
            using var crisp = Editing.Sharpened(image, edits.Adjustments);
            return new Measured(
                BytesOf(crisp, 1),
                EdgePxOf(path, original, edits, token),
                KeepGuessOf(crisp),
                Look.Of(SmallCopies.Of(crisp), edits.SizeOf(original).Shape),
                ColoursOf(crisp),
                false
            );
        });

    /// <summary>What a picture looks like, and nothing else of it.</summary>
    /// <exception cref="RefusedFileException">The pixels do not decode, or time ran out.</exception>
    public static Look LookOf(
        string path,
        PictureFormat format,
        PixelSize original,
        CancellationToken stop = default
    ) => Told(path, format, original, Edits.None, image => Look.Of(SmallCopies.Of(image), original.Shape), stop);

    /// <summary>The colours a picture shows, and nothing else of it.</summary>
    /// <exception cref="RefusedFileException">The pixels do not decode, or time ran out.</exception>
    public static ImmutableArray<string> ColoursOf(
        string path,
        PictureFormat format,
        PixelSize original,
        CancellationToken stop = default
    ) => Told(path, format, original, Edits.None, ColoursOf, stop);

    /// <summary>What stands out in a version, and nothing else of it; null where nothing does.</summary>
    /// <exception cref="RefusedFileException">The pixels do not decode, or time ran out.</exception>
    public static FocalRegion? KeepGuessOf(
        string path,
        PictureFormat format,
        PixelSize original,
        Edits edits,
        CancellationToken stop = default
    ) => Told(path, format, original, edits, KeepGuessOf, stop);

    private static T Told<T>(
        string path,
        PictureFormat format,
        PixelSize original,
        Edits edits,
        Func<Image, T> tell,
        CancellationToken stop
    ) => Within(format, stop, token =>
        {
            using var image = Decoded(path, original, edits, Enums.FailOn.Truncated, token);
            return tell(image);
        });

    /// <summary>How wide its sharpest edges are, and nothing else of it.</summary>
    /// <returns>In px of the edited picture; 0 where it has too few to tell.</returns>
    /// <exception cref="RefusedFileException">The pixels do not decode, or time ran out.</exception>
    public static double EdgePxOf(
        string path,
        PictureFormat format,
        PixelSize original,
        Edits edits,
        CancellationToken stop = default
    ) => Within(format, stop, token => EdgePxOf(path, original, edits, token));

    /// <summary>What lies where in a picture, at a few samples.</summary>
    /// <exception cref="RefusedFileException">The pixels do not decode, or time ran out.</exception>
    public static ColourGrid GridOf(
        string path,
        PictureFormat format,
        PixelSize original,
        Edits edits,
        CancellationToken stop = default
    ) => Within(format, stop, token =>
        {
            using var image = Decoded(path, original, edits, Enums.FailOn.Truncated, token);
            using var colours = image.Colourspace(Enums.Interpretation.Srgb);
            using var opaque = colours.HasAlpha() ? colours.Copy() : colours.Bandjoin(255);
            // Plain means over whole squares: a sharper filter would put light and dark beside edges that are not
            // there.
            var by = Math.Max(1, (int)Math.Ceiling((double)Math.Max(opaque.Width, opaque.Height) / GridPx));
            using var means = opaque.Shrink(by, by, ceil: true);
            using var bytes = means.Cast(Enums.BandFormat.Uchar);
            return new ColourGrid(
                bytes.Width,
                bytes.Height,
                bytes.WriteToMemory<byte>(),
                (double)opaque.Width / by,
                (double)opaque.Height / by
            );
        });

    /// <summary>How often each tone stands in each channel, before light and colour are adjusted.</summary>
    /// <exception cref="RefusedFileException">The pixels do not decode, or time ran out.</exception>
    public static Histogram Tones(
        string path,
        PictureFormat format,
        PixelSize original,
        Edits edits,
        CancellationToken stop = default
    ) => Within(format, stop, token =>
        {
            using var image = Decoded(path, original, edits.Adjusted(Adjustments.None), Enums.FailOn.Truncated, token);
            using var opaque = image.HasAlpha() ? image.Flatten(background: [255.0]) : image.Copy();
            using var rgb = opaque.Bands < 3 ? opaque.Colourspace(Enums.Interpretation.Srgb) : opaque.Copy();
            using var counts = rgb.HistFind();
            var all = counts.WriteToMemory<uint>();
            return new Histogram(
                [.. Enumerable.Range(0, 256).Select(i => (long)all[i * 3])],
                [.. Enumerable.Range(0, 256).Select(i => (long)all[i * 3 + 1])],
                [.. Enumerable.Range(0, 256).Select(i => (long)all[i * 3 + 2])]
            );
        });

    /// <summary>Where a picture is sharpest, and how wide its edges are there.</summary>
    /// <returns>In shares and in px of the edited picture; null where it has too few edges to tell.</returns>
    /// <exception cref="RefusedFileException">The pixels do not decode, or time ran out.</exception>
    public static (FocalRegion Box, double EdgePx)? SharpestOf(
        string path,
        PictureFormat format,
        PixelSize original,
        Edits edits,
        CancellationToken stop = default
    ) =>
        Within(format, stop, token =>
            ReadInGrey(path, original, edits, token, (bytes, width, height, by) =>
                EdgeWidths.PlaceOf(bytes, width, height) is var (box, edgePx)
                    ? (box, edgePx * by)
                    : ((FocalRegion, double)?)null
            )
        );

    private static double EdgePxOf(string path, PixelSize original, Edits edits, CancellationToken stop) =>
        ReadInGrey(path, original, edits, stop, EdgePxIn);

    private static double EdgePxIn(byte[] bytes, int width, int height, int by) =>
        EdgeWidths.Of(bytes, width, height) * by ?? 0;

    private static T ReadInGrey<T>(
        string path,
        PixelSize original,
        Edits edits,
        CancellationToken stop,
        Func<byte[], int, int, int, T> tell
    )
    {
        var size = edits.SizeOf(original);
        // Light and dark are all that is looked at: of a whole picture no colour is managed for it.
        using var image = edits.IsNone
            ? ForEdges(path, size, Enums.FailOn.None, stop)
            : At(path, original, edits, size.Width / ByOf(size), Enums.FailOn.Truncated, stop);
        using var crisp = Editing.Sharpened(image, edits.Adjustments);
        return InGrey(crisp, ByOf(size), tell);
    }

    /// <param name="by">So many px of the picture are one of the image's.</param>
    /// <param name="tell">Of bytes row by row, how wide and high they are, and of how many px each is.</param>
    private static T InGrey<T>(Image image, int by, Func<byte[], int, int, int, T> tell)
    {
        using var opaque = image.HasAlpha() ? image.Flatten(background: [255.0]) : image.Copy();
        if (opaque is { Interpretation: Enums.Interpretation.Srgb, Format: Enums.BandFormat.Uchar, Bands: 3 })
            return tell(Grey.Of(opaque.WriteToMemory<byte>()), opaque.Width, opaque.Height, by);
        using var grey = opaque.Colourspace(Enums.Interpretation.Bw);
        using var bytes = grey[0].Cast(Enums.BandFormat.Uchar);
        return tell(bytes.WriteToMemory<byte>(), bytes.Width, bytes.Height, by);
    }

    private static Image Decoded(
        string path,
        PixelSize original,
        Edits edits,
        Enums.FailOn failOn,
        CancellationToken stop
    ) => At(path, original, edits, Math.Min(edits.SizeOf(original).Width, DecodePx), failOn, stop);

    private static Image At(
        string path,
        PixelSize original,
        Edits edits,
        int widthPx,
        Enums.FailOn failOn,
        CancellationToken stop
    ) =>
        LadderMaker.Decode(
            new(path, original, edits, Cut.Whole(edits.SizeOf(original)), IsAnimated: false),
            Math.Max(1, widthPx),
            stop,
            failOn
        );

    private static T Within<T>(PictureFormat format, CancellationToken stop, Func<CancellationToken, T> read)
    {
        Vips.EnsureReady();
        using var clock = new CancellationTokenSource(Limits.MaxTime);
        using var timed = CancellationTokenSource.CreateLinkedTokenSource(stop, clock.Token);
        try
        {
            return read(timed.Token);
        }
        catch (VipsException) when (timed.IsCancellationRequested)
        {
            stop.ThrowIfCancellationRequested();
            throw new RefusedFileException(
                $"This {Probe.Named(format)} takes longer than {Limits.MaxTime.TotalSeconds:0} s to decode: "
                    + "save a smaller copy and add that."
            );
        }
        catch (VipsException)
        {
            throw new RefusedFileException(
                $"This {Probe.Named(format)} is cut short or damaged and does not decode to the end: copy it "
                    + "again from where it came from."
            );
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

    private static ImmutableArray<string> ColoursOf(Image image)
    {
        using var opaque = image.HasAlpha() ? image.Flatten(background: [255.0]) : image.Copy();
        using var small = opaque.ThumbnailImage(ColourPx, height: ColourPx, size: Enums.Size.Down);
        using var three = small
            .Colourspace(Enums.Interpretation.Srgb)
            .ExtractBand(0, n: 3)
            .Cast(Enums.BandFormat.Uchar);
        return ColourNames.Of(three.WriteToMemory<byte>());
    }

    /// <summary>The box round what stands out on a small copy; null where nothing does.</summary>
    private static FocalRegion? KeepGuessOf(Image image)
    {
        using var opaque = image.HasAlpha() ? image.Flatten(background: [255.0]) : image.Copy();
        using var small = opaque.ThumbnailImage(SubjectPx, height: SubjectPx, size: Enums.Size.Down);
        using var lab = small.Colourspace(Enums.Interpretation.Srgb).Colourspace(Enums.Interpretation.Lab);
        using var three = lab.ExtractBand(0, n: 3).Cast(Enums.BandFormat.Float);
        return new Saliency(three.WriteToMemory<float>(), three.Width, three.Height).MainPart();
    }
}
