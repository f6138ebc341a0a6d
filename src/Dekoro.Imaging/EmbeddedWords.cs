using System.Globalization;
using Dekoro.Core.Media;
using MetadataExtractor;
using MetadataExtractor.Formats.Exif;
using MetadataExtractor.Formats.Iptc;
using MetadataExtractor.Formats.Xmp;

namespace Dekoro.Imaging;

/// <summary>Words found inside a file: EXIF 3.0, IPTC IIM 4.2 and XMP (Dublin Core, IPTC). None is null.</summary>
/// <param name="TakenOn">ISO 8601 date and time as the camera wrote it; null where it did not.</param>
public sealed record EmbeddedWords(
    string Title = "",
    string Alt = "",
    string Description = "",
    string Credit = "",
    string Rights = "",
    string? TakenOn = null,
    bool HasLocation = false,
    string Keywords = ""
)
{
    private static bool IsBroken(Exception e) =>
        e
            is ImageProcessingException
                or MetadataException
                or IOException
                or XmpCore.XmpException
                or ArgumentException
                or IndexOutOfRangeException
                or OverflowException;

    /// <summary>What a file says of itself; nothing where it cannot be read.</summary>
    public static EmbeddedWords Read(string path, PictureFormat format)
    {
        if (format is PictureFormat.Svg)
            return new();
        try
        {
            var directories = ImageMetadataReader.ReadMetadata(path);
            var iptc = directories.OfType<IptcDirectory>().FirstOrDefault();
            var exif = directories.OfType<ExifIfd0Directory>().FirstOrDefault();
            var xmp = directories
                .OfType<XmpDirectory>()
                .SelectMany(d => d.GetXmpProperties())
                .ToLookup(p => p.Key, p => p.Value);
            DateTime taken = default;
            var dated = directories
                .OfType<ExifSubIfdDirectory>()
                .FirstOrDefault()
                ?.TryGetDateTime(ExifDirectoryBase.TagDateTimeOriginal, out taken)
                ?? false;
            return new(
                Title: First(
                    xmp["dc:title[1]"],
                    iptc?.GetString(IptcDirectory.TagObjectName),
                    iptc?.GetString(IptcDirectory.TagHeadline)
                ),
                Alt: First(xmp["Iptc4xmpCore:AltTextAccessibility[1]"]),
                Description: First(
                    xmp["dc:description[1]"],
                    iptc?.GetString(IptcDirectory.TagCaption),
                    exif?.GetString(ExifDirectoryBase.TagImageDescription)
                ),
                Credit: First(
                    xmp.Where(p => p.Key.EndsWith(":Credit", StringComparison.Ordinal)).SelectMany(p => p),
                    xmp["dc:creator[1]"],
                    iptc?.GetString(IptcDirectory.TagCredit),
                    iptc?.GetString(IptcDirectory.TagByLine),
                    exif?.GetString(ExifDirectoryBase.TagArtist)
                ),
                Rights: First(
                    xmp["dc:rights[1]"],
                    iptc?.GetString(IptcDirectory.TagCopyrightNotice),
                    exif?.GetString(ExifDirectoryBase.TagCopyright)
                ),
                TakenOn: dated ? taken.ToString("s", CultureInfo.InvariantCulture) : null,
                HasLocation: directories.OfType<GpsDirectory>().Any(d => d.GetGeoLocation() is not null),
                Keywords: KeywordsOf(xmp, iptc)
            );
        }
        catch (Exception e) when (IsBroken(e))
        {
            // Broken metadata is no reason to refuse a picture that decodes.
            return new();
        }
    }

    private static string KeywordsOf(ILookup<string, string> xmp, IptcDirectory? iptc)
    {
        var subjects = xmp.Where(p => p.Key.StartsWith("dc:subject[", StringComparison.Ordinal))
            .SelectMany(p => p)
            .ToList();
        var all = string.Join(
            ", ",
            subjects.Count > 0 ? subjects : iptc?.GetStringArray(IptcDirectory.TagKeywords) ?? []
        );
        return all.Length <= PictureMetadata.MaxChars ? all : "";
    }

    private static string First(params object?[] found)
    {
        foreach (var candidate in found.SelectMany(f => f is IEnumerable<string?> many ? many : [(string?)f]))
        {
            var text = candidate?.Trim('\0', ' ', '\r', '\n', '\t') ?? "";
            if (text.Length > 0)
                return text.Length <= PictureMetadata.MaxChars ? text : text[..PictureMetadata.MaxChars];
        }
        return "";
    }
}
