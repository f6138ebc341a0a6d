using System.Text;
using System.Text.RegularExpressions;
using AnyAscii;

namespace Dekoro.Core.Links;

/// <summary>The part of an address that a title gives: small ASCII letters, digits and hyphens.</summary>
public static partial class Slug
{
    /// <summary>The most characters.</summary>
    public const int Max = 60;

    /// <returns>Empty where the title holds no letter or digit.</returns>
    public static string Of(string title)
    {
        var ascii = new StringBuilder();
        foreach (var c in title.Transliterate().ToLowerInvariant())
        {
            if (c != '\'')
                ascii.Append(char.IsAsciiLetterOrDigit(c) ? c : '-');
        }
        var slug = Hyphens().Replace(ascii.ToString(), "-").Trim('-');
        return slug.Length <= Max ? slug : slug[..Max].TrimEnd('-');
    }

    /// <summary>True for a path that a page may have: slugs with slashes between.</summary>
    public static bool IsPath(string path) => path.Length <= 200 && Path().IsMatch(path);

    [GeneratedRegex("-{2,}")]
    private static partial Regex Hyphens();

    [GeneratedRegex("^[a-z0-9]+(?:-[a-z0-9]+)*(?:/[a-z0-9]+(?:-[a-z0-9]+)*)*$")]
    private static partial Regex Path();
}
