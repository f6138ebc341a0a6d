using System.Text;

namespace Dekoro.Core.Media;

/// <summary>
/// Tells what a file that is no picture is: by its first bytes, and where those say only how it is packed, by the
/// ending of its name.
/// </summary>
/// <remarks>Signatures: ISO 32000 (PDF), APPNOTE (ZIP), ISO/IEC 14496-12 (MP4), RFC 9559 (WebM), RFC 3533 (Ogg), RFC
/// 9639 (FLAC), ISO/IEC 11172-3 (MP3).</remarks>
public static class DownloadTypes
{
    private static readonly Dictionary<string, string> OfficeTypes = new(StringComparer.OrdinalIgnoreCase)
    {
        ["docx"] = "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
        ["xlsx"] = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
        ["pptx"] = "application/vnd.openxmlformats-officedocument.presentationml.presentation",
        ["odt"] = "application/vnd.oasis.opendocument.text",
        ["ods"] = "application/vnd.oasis.opendocument.spreadsheet",
        ["odp"] = "application/vnd.oasis.opendocument.presentation",
        ["epub"] = "application/epub+zip",
    };

    private static readonly Dictionary<string, string> TextTypes = new(StringComparer.OrdinalIgnoreCase)
    {
        ["txt"] = "text/plain",
        ["md"] = "text/markdown",
        ["csv"] = "text/csv",
        ["ics"] = "text/calendar",
        ["vtt"] = "text/vtt",
        ["json"] = "application/json",
    };

    /// <param name="head">The first bytes, some thousands.</param>
    /// <returns>Null for what is not kept: programs, pages with scripts, fonts, pictures of other kinds.</returns>
    public static DownloadType? Of(ReadOnlySpan<byte> head, string fileName)
    {
        var ending = Path.GetExtension(fileName).TrimStart('.').ToLowerInvariant();
        if (head.StartsWith("%PDF-"u8))
            return new(DownloadKind.Pdf, "application/pdf", "pdf");
        if (head.StartsWith("PK\x03\x04"u8) || head.StartsWith("PK\x05\x06"u8))
            return OfficeTypes.TryGetValue(ending, out var office)
                ? new(DownloadKind.Office, office, ending)
                : new(DownloadKind.Archive, "application/zip", "zip");
        if (head.Length >= 12 && head[4..8].SequenceEqual("ftyp"u8))
            return Mp4(head[8..12]);
        if (head.StartsWith((ReadOnlySpan<byte>)[0x1A, 0x45, 0xDF, 0xA3]) && head.IndexOf("webm"u8) >= 0)
            return new(DownloadKind.Video, "video/webm", "webm");
        if (SoundOf(head) is { } sound)
            return sound;
        return TextTypes.TryGetValue(ending, out var text) && IsPlainText(head)
            ? new(DownloadKind.Text, text, ending)
            : null;
    }

    private static DownloadType? SoundOf(ReadOnlySpan<byte> head)
    {
        if (head.StartsWith("OggS"u8))
            return new(DownloadKind.Sound, "audio/ogg", "ogg");
        if (head.StartsWith("fLaC"u8))
            return new(DownloadKind.Sound, "audio/flac", "flac");
        if (head.StartsWith("RIFF"u8) && head.Length >= 12 && head[8..12].SequenceEqual("WAVE"u8))
            return new(DownloadKind.Sound, "audio/wav", "wav");
        // A frame of MPEG audio layer III, or a tag before the first one.
        return head.StartsWith("ID3"u8) || (head.Length >= 2 && head[0] == 0xFF && (head[1] & 0xE6) == 0xE2)
            ? new(DownloadKind.Sound, "audio/mpeg", "mp3")
            : null;
    }

    private static DownloadType? Mp4(ReadOnlySpan<byte> brand) =>
        Encoding.ASCII.GetString(brand) switch
        {
            "M4A " or "M4B " => new(DownloadKind.Sound, "audio/mp4", "m4a"),
            "isom"
            or "iso2"
            or "iso4"
            or "iso5"
            or "iso6"
            or "mp41"
            or "mp42"
            or "avc1"
            or "M4V "
            or "dash"
            or "MSNV" => new(DownloadKind.Video, "video/mp4", "mp4"),
            _ => null,
        };

    /// <summary>The look may end inside a letter, which takes up to four bytes.</summary>
    private static bool IsUtf8(ReadOnlySpan<byte> head)
    {
        for (var cut = 0; cut < 4 && cut <= head.Length; cut++)
        {
            if (System.Text.Unicode.Utf8.IsValid(head[..^cut]))
                return true;
        }
        return false;
    }

    /// <summary>
    /// UTF-8 with no control characters but white space; what begins like a page or a script is none.
    /// </summary>
    private static bool IsPlainText(ReadOnlySpan<byte> head)
    {
        foreach (var b in head)
        {
            if (b < 0x20 && b is not ((byte)'\t' or (byte)'\n' or (byte)'\r' or (byte)'\f'))
                return false;
        }
        var text = head.TrimStart("\uFEFF \t\r\n"u8);
        return IsUtf8(head) && !text.StartsWith("<"u8) && !text.StartsWith("#!"u8);
    }
}
