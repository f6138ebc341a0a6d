using System.Globalization;
using System.Text;

namespace Dekoro.Application.Publication;

/// <summary>
/// A part as it is written: its fingerprint, whether more of it is awaited, then a line for each file.
/// </summary>
internal static class PartText
{
    private const string Awaited = " awaited";

    public static byte[] Of(SitePart part)
    {
        var text = new StringBuilder(part.Fingerprint).Append(part.IsAwaited ? Awaited : "").Append('\n');
        foreach (var (address, file) in part.Files.OrderBy(f => f.Key, StringComparer.Ordinal))
            text.Append(CultureInfo.InvariantCulture, $"{file.Sha256} {file.Bytes} {address}\n");
        return Encoding.UTF8.GetBytes(text.ToString());
    }

    /// <returns>Null for what is no part.</returns>
    public static ReadPart? Read(string key, string sha256, byte[] content)
    {
        var lines = Encoding.UTF8.GetString(content).Split('\n', StringSplitOptions.RemoveEmptyEntries);
        var files = new List<(string, SiteFile)>(lines.Length);
        foreach (var line in lines.Skip(1))
        {
            var fields = line.Split(' ', 3);
            if (
                fields.Length != 3
                || !StaticFolder.IsInside(fields[2])
                || !long.TryParse(fields[1], CultureInfo.InvariantCulture, out var bytes)
            )
                return null;
            files.Add((fields[2], new(fields[0], bytes, null, null)));
        }
        var (print, isAwaited) =
            lines is [var first, ..] && first.EndsWith(Awaited, StringComparison.Ordinal)
                ? (first[..^Awaited.Length], true)
                : (lines.FirstOrDefault() ?? "", false);
        return new(new(key, print, isAwaited, sha256), files);
    }
}
