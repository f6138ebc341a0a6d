using System.Security.Cryptography;
using System.Text;
using System.Text.RegularExpressions;

namespace Dekoro.Server.Hosting;

/// <summary>What the tool's own page may load and who may frame it (Content Security Policy Level 3).</summary>
internal static partial class ToolPolicy
{
    /// <param name="html">The page, whose own scripts are allowed by their hash and no others.</param>
    public static string Of(string html)
    {
        var hashes = InlineScript()
            .Matches(html)
            .Select(m =>
                $"'sha256-{Convert.ToBase64String(SHA256.HashData(Encoding.UTF8.GetBytes(m.Groups[1].Value)))}'"
            );
        // Styles are set on elements all over the tool; they cannot act.
        return $"default-src 'self'; script-src 'self' {string.Join(' ', hashes)}; style-src 'self' 'unsafe-inline'; "
            + "img-src 'self' data: blob:; "
            + "media-src 'self' blob:; worker-src 'self'; frame-src 'self'; object-src 'none'; base-uri 'none'; "
            + "form-action 'self'; frame-ancestors 'none'";
    }

    [GeneratedRegex("<script>(.*?)</script>", RegexOptions.Singleline)]
    private static partial Regex InlineScript();
}
