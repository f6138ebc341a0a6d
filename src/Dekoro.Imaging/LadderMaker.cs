using Dekoro.Core.Delivery;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using NetVips;

namespace Dekoro.Imaging;

/// <summary>
/// Makes the files of a ladder from one decode: the source is shrunk while it loads to the widest step, the smaller
/// ones are made from that, and the encoders run on all cores.
/// </summary>
public static class LadderMaker
{
    /// <param name="by">Written into the files; nothing where both are empty.</param>
    /// <param name="most">Longest time it may take; null: <see cref="Limits.MaxTime"/>.</param>
    /// <exception cref="RefusedFileException">The source does not decode, or time ran out.</exception>
    /// <exception cref="OperationCanceledException">Stopped from outside.</exception>
    public static void Make(
        CutSource source,
        IReadOnlyList<LadderStep> steps,
        Attribution by,
        CancellationToken stop = default,
        TimeSpan? most = null,
        EncodingEffort effort = EncodingEffort.Usual
    )
    {
        Vips.EnsureReady();
        if (steps.Count == 0)
            return;
        var limit = most ?? Limits.MaxTime;
        using var clock = new CancellationTokenSource(limit);
        using var timed = CancellationTokenSource.CreateLinkedTokenSource(stop, clock.Token);
        try
        {
            MakeAll(source, steps, by, effort, timed.Token);
        }
        // A stop reaches the decoder as an error of its own, so what is asked is whether one was called for.
        catch (Exception e)
            when (timed.IsCancellationRequested
                && e is (OperationCanceledException or VipsException or AggregateException)
            )
        {
            stop.ThrowIfCancellationRequested();
            throw new RefusedFileException(
                $"This picture takes longer than {limit.TotalSeconds:0} s to make into its files: save a "
                    + "smaller copy and add that."
            );
        }
        catch (Exception e) when (e is VipsException or AggregateException { InnerException: VipsException })
        {
            throw new RefusedFileException(
                "This picture could not be made into its files: look at it in the library, and add it again "
                    + "if it is damaged."
            );
        }
    }

    private static void MakeAll(
        CutSource source,
        IReadOnlyList<LadderStep> steps,
        Attribution by,
        EncodingEffort effort,
        CancellationToken stop
    )
    {
        stop.ThrowIfCancellationRequested();
        using var widest = Decode(source, steps.Max(s => s.WidthPx), stop);
        var bySize = steps
            .GroupBy(s => s.WidthPx)
            .OrderByDescending(g => g.Key)
            .Select(g => (Width: g.Key, Steps: g.ToList()))
            .ToList();
        // The widest and slowest first, so that no core is left with one long encoding at the end.
        Parallel.ForEach(
            bySize,
            new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount, CancellationToken = stop },
            group =>
            {
                using var resized = Resized(widest, group.Width, source.Cut, source.IsAnimated);
                using var image = Editing.Sharpened(resized, source.Edits.Adjustments);
                foreach (var step in group.Steps)
                    Encode(image, step, by, effort, stop);
            }
        );
    }

    /// <summary>
    /// The cut of the edited source at a width, in memory, in sRGB, upright, without metadata; all but sharpened.
    /// </summary>
    internal static Image Decode(
        CutSource source,
        int widthPx,
        CancellationToken stop,
        Enums.FailOn failOn = Enums.FailOn.Truncated
    )
    {
        var (path, size, edits, cut, animated) = source;
        var scale = (double)widthPx / cut.Width;
        var wholeWidth = Math.Max(1, (int)Math.Round(size.Width * scale));
        using var whole = Image.Thumbnail(
            animated ? path + "[n=-1]" : path,
            wholeWidth,
            height: 100_000,
            size: Enums.Size.Both,
            outputProfile: "srgb",
            inputProfile: "srgb",
            intent: Enums.Intent.Relative,
            failOn: failOn
        );
        Vips.LimitTime(whole, stop);
        // Turning and slanting read a picture in another order than it is decoded in.
        using var held = edits.ChangesGeometry ? whole.CopyMemory() : whole.Copy();
        using var edited = Editing.Geometry(held, edits, size, scale);
        using var window = cut.IsWholeOf(edits.SizeOf(size))
            ? edited.Copy()
            : CutOut(edited, cut, scale, widthPx, animated);
        using var coloured = Editing.Colours(window, edits.Adjustments);
        return Bare(coloured).CopyMemory();
    }

    private static Image CutOut(Image whole, Cut cut, double scale, int widthPx, bool animated)
    {
        var height = Math.Max(1, (int)Math.Round(cut.Height * scale));
        if (!animated)
            return Crop(whole);
        var pageHeight = whole.PageHeight;
        var frames = Enumerable
            .Range(0, whole.Height / pageHeight)
            .Select(i => Crop(whole.Crop(0, i * pageHeight, whole.Width, pageHeight)))
            .ToArray();
        return Image.Arrayjoin(frames, across: 1).Mutate(m => m.Set(GValue.GIntType, "page-height", frames[0].Height));

        Image Crop(Image image)
        {
            var (w, h) = (Math.Min(widthPx, image.Width), Math.Min(height, image.Height));
            return image.Crop(
                Math.Clamp((int)Math.Round(cut.X * scale), 0, image.Width - w),
                Math.Clamp((int)Math.Round(cut.Y * scale), 0, image.Height - h),
                w,
                h
            );
        }
    }

    private static Image Resized(Image widest, int widthPx, Cut cut, bool animated)
    {
        if (widthPx == widest.Width)
            return widest.Copy();
        if (animated)
            return widest.ThumbnailImage(widthPx, height: 100_000);
        var height = Math.Max(1, (int)Math.Round((double)widthPx * cut.Height / cut.Width));
        using var premultiplied = widest.HasAlpha() ? widest.Premultiply() : widest.Copy();
        using var resized = premultiplied.Resize(
            (double)widthPx / widest.Width,
            vscale: (double)height / widest.Height
        );
        return resized.HasAlpha() ? resized.Unpremultiply().Cast(Enums.BandFormat.Uchar) : resized.Copy();
    }

    /// <summary>
    /// Nothing of the file's own metadata goes out: no location, serial number, maker's note or thumbnail.
    /// </summary>
    private static Image Bare(Image image) =>
        image.Mutate(m =>
        {
            foreach (var field in image.GetFields())
            {
                if (
                    field.StartsWith("exif-", StringComparison.Ordinal)
                    || field.EndsWith("-data", StringComparison.Ordinal)
                    || field == "orientation"
                )
                    m.Remove(field);
            }
        });

    private static void Encode(
        Image image,
        LadderStep step,
        Attribution by,
        EncodingEffort effort,
        CancellationToken stop
    )
    {
        var (credit, rights) = by;
        stop.ThrowIfCancellationRequested();
        using var signed =
            credit.Length + rights.Length == 0
                ? image.Copy()
                : image.Mutate(m =>
                {
                    if (credit.Length > 0)
                        m.Set(GValue.GStrType, "exif-ifd0-Artist", credit);
                    if (rights.Length > 0)
                        m.Set(GValue.GStrType, "exif-ifd0-Copyright", rights);
                });
        Vips.LimitTime(signed, stop);
        var keep = credit.Length + rights.Length == 0 ? Enums.ForeignKeep.None : Enums.ForeignKeep.Exif;
        var isQuick = effort == EncodingEffort.Least;
        switch (step.Format)
        {
            case OutputFormat.Avif:
                signed.Heifsave(
                    step.Path,
                    q: step.Quality,
                    compression: Enums.ForeignHeifCompression.Av1,
                    effort: isQuick ? 0 : 2,
                    keep: keep
                );
                break;
            case OutputFormat.WebP:
                signed.Webpsave(step.Path, q: step.Quality, effort: isQuick ? 0 : 4, keep: keep);
                break;
            case OutputFormat.Jpeg:
                using (var opaque = signed.HasAlpha() ? signed.Flatten(background: [255.0]) : signed.Copy())
                    opaque.Jpegsave(step.Path, q: step.Quality, optimizeCoding: true, interlace: true, keep: keep);
                break;
            case OutputFormat.Png:
                signed.Pngsave(step.Path, compression: 8, keep: keep);
                break;
            case OutputFormat.Gif:
                signed.Gifsave(step.Path, effort: 5, keep: Enums.ForeignKeep.None);
                break;
            default:
                throw new ArgumentOutOfRangeException(nameof(step), step.Format, "This format is given out unchanged.");
        }
    }
}
