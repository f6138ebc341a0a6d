using System.Xml;
using Dekoro.Core.Media;
using NetVips;

namespace Dekoro.Imaging;

/// <summary>Reads format, size, frames, orientation, colour and embedded words, within <see cref="Limits"/>.</summary>
public static class Probe
{
    private const string Taken = "Dekoro takes JPEG, PNG, WebP, AVIF, GIF, SVG and TIFF pictures.";

    /// <summary>The format by content; the file itself is not opened by any decoder yet.</summary>
    /// <exception cref="RefusedFileException">Empty, too large, or not a picture of a known kind.</exception>
    public static PictureFormat FormatOf(Stream file)
    {
        if (file.Length == 0)
            throw new RefusedFileException("This file is empty (0 bytes): copy it again from where it came from.");
        if (file.Length > Limits.MaxFileBytes)
            throw new RefusedFileException(
                $"This file is larger than {Limits.MaxFileBytes >> 20} MB: save a smaller copy and add that."
            );
        Span<byte> head = stackalloc byte[FileKind.BytesNeeded];
        var read = file.ReadAtLeast(head, head.Length, throwOnEndOfStream: false);
        file.Position = 0;
        return FileKind.Of(head[..read])
            ?? throw new RefusedFileException(
                FileKind.NameOfOther(head[..read]) is { } other
                    ? $"This is {other}, {WhatOf(other)}. {Taken}"
                    : $"The content of this file is not a picture, whatever its name says. {Taken}"
            );
    }

    /// <param name="path">Of the file as it is kept (an SVG already cleaned).</param>
    /// <exception cref="RefusedFileException">Damaged, or beyond the limits.</exception>
    public static Probed Read(string path, PictureFormat format)
    {
        Vips.EnsureReady();
        try
        {
            using var header = Image.NewFromFile(
                path,
                access: Enums.Access.Sequential,
                kwargs: Animates(format) ? new VOption { { "n", -1 } } : []
            );
            var frames = header.Contains("n-pages") && Animates(format) ? (int)header.Get("n-pages") : 1;
            var height = header.Contains("page-height") && frames > 1 ? (int)header.Get("page-height") : header.Height;
            var pixels = (long)header.Width * height * frames;
            if (pixels > Limits.MaxPixels)
                throw new RefusedFileException(
                    $"This picture has {pixels / 1_000_000:N0} million pixels ({header.Width} × {height}); at "
                        + $"most {Limits.MaxPixels / 1_000_000} million are taken. Save a smaller copy and add "
                        + "that."
                );
            if (frames > Limits.MaxFrames)
                throw new RefusedFileException(
                    $"This animation has {frames} frames; at most {Limits.MaxFrames} are taken. Shorten it "
                        + "and add it again."
                );
            var turned = header.Contains("orientation") && (int)header.Get("orientation") is >= 5 and <= 8;
            return new Probed(
                format,
                turned ? new(height, header.Width) : new(header.Width, height),
                frames,
                header.HasAlpha(),
                ColourOf(header),
                EmbeddedWords.Read(path, format)
            );
        }
        catch (Exception e) when (e is VipsException or XmlException)
        {
            throw new RefusedFileException(
                $"This {Named(format)} is damaged and cannot be read: copy it again, or save it anew from the "
                    + "program it came from."
            );
        }
    }

    internal static bool Animates(PictureFormat format) => format is PictureFormat.Gif or PictureFormat.WebP;

    /// <summary>What people call a format.</summary>
    public static string Named(PictureFormat format) =>
        format switch
        {
            PictureFormat.Jpeg => "JPEG",
            PictureFormat.Png or PictureFormat.Gif or PictureFormat.Svg or PictureFormat.Tiff or PictureFormat.Avif =>
                format.ToString().ToUpperInvariant(),
            _ => format.ToString(),
        };

    private static string ColourOf(Image header)
    {
        var profile = header.Contains("icc-profile-data") ? " with profile" : "";
        return header.Interpretation switch
        {
            Enums.Interpretation.Cmyk => "CMYK" + profile,
            Enums.Interpretation.Bw or Enums.Interpretation.Grey16 => "grey" + profile,
            Enums.Interpretation.Rgb16 => "16 bit RGB" + profile,
            _ => "RGB" + profile,
        };
    }

    private static string WhatOf(string other) =>
        other.EndsWith("picture", StringComparison.Ordinal) ? "which cannot be read here" : "not a picture";
}
