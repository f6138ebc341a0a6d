using System.Text;
using System.Text.RegularExpressions;

namespace Dekoro.Intake;

/// <summary>Text out of bytes whose stated character set may be missing or wrong.</summary>
public static partial class TextDecoding
{
    private const int LookForMeta = 1024,
        LookForZeros = 8192;

    static TextDecoding() => Encoding.RegisterProvider(CodePagesEncodingProvider.Instance);

    /// <summary>Whether bytes can be text at all: none of it holds a zero, unless two bytes make a letter.</summary>
    public static bool IsText(byte[] bytes) =>
        bytes.AsSpan().StartsWith(Encoding.Unicode.Preamble)
        || bytes.AsSpan().StartsWith(Encoding.BigEndianUnicode.Preamble)
        || !bytes.AsSpan(0, Math.Min(bytes.Length, LookForZeros)).Contains((byte)0);

    /// <summary>
    /// By the byte order mark, else the stated set where the bytes agree with it, else what an HTML text says of
    /// itself, else UTF-8 where they are that, else Windows-1252, which takes anything.
    /// </summary>
    public static string Decode(byte[] bytes, string? statedCharset = null, bool isHtml = false)
    {
        if (bytes.AsSpan().StartsWith(Encoding.UTF8.Preamble))
            return Encoding.UTF8.GetString(bytes, 3, bytes.Length - 3);
        if (bytes.AsSpan().StartsWith(Encoding.Unicode.Preamble))
            return Encoding.Unicode.GetString(bytes, 2, bytes.Length - 2);
        if (bytes.AsSpan().StartsWith(Encoding.BigEndianUnicode.Preamble))
            return Encoding.BigEndianUnicode.GetString(bytes, 2, bytes.Length - 2);
        var inHtml = isHtml
            ? Meta().Match(Encoding.Latin1.GetString(bytes, 0, Math.Min(bytes.Length, LookForMeta))).Groups[1].Value
            : null;
        foreach (var name in new[] { statedCharset, inHtml, "utf-8" })
        {
            if (Strict(name)?.Invoke(bytes) is { } text)
                return text;
        }
        return Encoding.GetEncoding(1252).GetString(bytes);
    }

    private static Func<byte[], string?>? Strict(string? name)
    {
        if (string.IsNullOrWhiteSpace(name))
            return null;
        try
        {
            var encoding = Encoding.GetEncoding(
                name.Trim(),
                EncoderFallback.ExceptionFallback,
                DecoderFallback.ExceptionFallback
            );
            return bytes =>
            {
                try
                {
                    return encoding.GetString(bytes);
                }
                catch (DecoderFallbackException)
                {
                    return null;
                }
            };
        }
        catch (ArgumentException)
        {
            return null;
        }
    }

    [GeneratedRegex("""<meta[^>]+charset\s*=\s*["']?([\w\-]+)""", RegexOptions.IgnoreCase)]
    private static partial Regex Meta();
}
