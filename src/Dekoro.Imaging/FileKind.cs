using System.Text;
using Dekoro.Core.Media;

namespace Dekoro.Imaging;

/// <summary>Tells a file's format by its first bytes, never by its name.</summary>
public static class FileKind
{
    public const int BytesNeeded = 4096;

    /// <returns>The kind that the first bytes of a file say; null for one that is not taken in.</returns>
    public static PictureFormat? Of(ReadOnlySpan<byte> head)
    {
        if (head.StartsWith((ReadOnlySpan<byte>)[0xFF, 0xD8, 0xFF]))
            return PictureFormat.Jpeg;
        if (head.StartsWith((ReadOnlySpan<byte>)[0x89, (byte)'P', (byte)'N', (byte)'G', 0x0D, 0x0A, 0x1A, 0x0A]))
            return PictureFormat.Png;
        if (head.StartsWith("GIF87a"u8) || head.StartsWith("GIF89a"u8))
            return PictureFormat.Gif;
        if (head.StartsWith("RIFF"u8) && head.Length >= 12 && head[8..12].SequenceEqual("WEBP"u8))
            return PictureFormat.WebP;
        if (head.StartsWith("II*\0"u8) || head.StartsWith("MM\0*"u8))
            return PictureFormat.Tiff;
        if (head.Length >= 16 && head[4..8].SequenceEqual("ftyp"u8) && IsAvifBrand(head))
            return PictureFormat.Avif;
        return IsSvg(head) ? PictureFormat.Svg : null;
    }

    /// <summary>
    /// What a file that is not a picture of ours seems to be, for the sentence that refuses it; null if unknown.
    /// </summary>
    public static string? NameOfOther(ReadOnlySpan<byte> head)
    {
        if (head.StartsWith("MZ"u8) || head.StartsWith((ReadOnlySpan<byte>)[0x7F, (byte)'E', (byte)'L', (byte)'F']))
            return "a program";
        if (head.StartsWith("%PDF"u8))
            return "a PDF document";
        if (head.StartsWith("PK\x03\x04"u8))
            return "a ZIP archive or office document";
        if (head.StartsWith("BM"u8))
            return "a BMP picture";
        if (head.StartsWith("8BPS"u8))
            return "a layered picture";
        if (head.Length >= 12 && head[4..8].SequenceEqual("ftyp"u8))
            return
                head[8..12].SequenceEqual("heic"u8)
                || head[8..12].SequenceEqual("heix"u8)
                || head[8..12].SequenceEqual("mif1"u8)
                ? "a HEIC picture"
                : "a video";
        return null;
    }

    /// <summary>ISO/IEC 23000-22: the AVIF brands, as the major brand or among the compatible ones.</summary>
    private static bool IsAvifBrand(ReadOnlySpan<byte> head)
    {
        var box = (head[0] << 24) | (head[1] << 16) | (head[2] << 8) | head[3];
        var end = Math.Clamp(box, 16, head.Length);
        for (var i = 8; i + 4 <= end; i += 4)
        {
            if (i != 12 && (head.Slice(i, 4).SequenceEqual("avif"u8) || head.Slice(i, 4).SequenceEqual("avis"u8)))
                return true;
        }
        return false;
    }

    private static bool IsSvg(ReadOnlySpan<byte> head)
    {
        if (head.IndexOf((byte)0) >= 0)
            return false;
        var text = Encoding.UTF8.GetString(head).TrimStart('\uFEFF', ' ', '\t', '\r', '\n');
        return text.StartsWith('<') && text.Contains("<svg", StringComparison.OrdinalIgnoreCase);
    }
}
