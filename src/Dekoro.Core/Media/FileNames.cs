using System.Globalization;
using System.Text.RegularExpressions;

namespace Dekoro.Core.Media;

/// <summary>Readable titles out of file names.</summary>
public static partial class FileNames
{
    /// <summary>
    /// True where a name (or a title taken from one) says nothing to a reader: camera counters, hashes, bare digits.
    /// </summary>
    public static bool SaysNothing(string nameOrTitle)
    {
        var stem = Stem(nameOrTitle);
        return stem.Length == 0
            || Camera().IsMatch(stem)
            || Hash().IsMatch(stem)
            || !TwoLetters().IsMatch(Digits().Replace(stem, ""));
    }

    /// <summary>
    /// A title for a file: the embedded one where it says something, else the name with separators, sizes, counters and
    /// endings taken out; empty where nothing readable is left, so that a person is asked.
    /// </summary>
    public static string SuggestTitle(string fileName, string? embeddedTitle = null)
    {
        if (!string.IsNullOrWhiteSpace(embeddedTitle) && !SaysNothing(embeddedTitle))
            return Spaces().Replace(embeddedTitle.Trim(), " ");
        if (SaysNothing(fileName))
            return "";
        var words = Stem(fileName);
        words = Size().Replace(words, " ");
        words = Separators().Replace(words, " ");
        words = Humps().Replace(words, " ");
        words = Counter().Replace(words, " ");
        words = Version().Replace(words, "");
        words = Spaces().Replace(words, " ").Trim();
        // Of "small-07" a word is left that tells a size or a state and nothing of what is seen.
        if (words.Length == 0 || Version().IsMatch(" " + words))
            return "";
        if (words == words.ToUpperInvariant())
            words = words.ToLowerInvariant();
        return char.ToUpper(words[0], CultureInfo.InvariantCulture) + words[1..];
    }

    private static string Stem(string name)
    {
        var trimmed = name.Trim();
        return Ending().Replace(trimmed, "");
    }

    [GeneratedRegex(@"\.[A-Za-z0-9]{2,5}$")]
    private static partial Regex Ending();

    // Design rule for Camera file system (JEITA CP-3461): four letters or underscores and four digits, and what phones
    // make of it.
    [GeneratedRegex(
        @"^(?:[A-Z_]{3,4}[-_ "
            + @"]?\d{3,}|(?:img|image|dsc|dscn|dscf|pict|pic|photo|scan|screenshot|vid|mov|pxl|mvimg|p|dji|"
            + @"gopr|capture|unnamed|untitled|download|default|native|full|"
            + @"pasted)[-_ ]?\(?[\d\-_ .]*\)?(?:[-_ ]?(?:hdr|burst|portrait|edit|copy|wa)\d*)?)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Camera();

    [GeneratedRegex(@"^(?=.*\d)[0-9a-f\-]{12,}$", RegexOptions.IgnoreCase)]
    private static partial Regex Hash();

    [GeneratedRegex(@"\d")]
    private static partial Regex Digits();

    [GeneratedRegex(@"\p{L}{2}")]
    private static partial Regex TwoLetters();

    [GeneratedRegex(@"(?<![\p{L}\d])\d{2,5} ?[x×] ?\d{2,5}(?:px)?(?!\p{L})", RegexOptions.IgnoreCase)]
    private static partial Regex Size();

    [GeneratedRegex(@"[_\-+.~]+|%20")]
    private static partial Regex Separators();

    [GeneratedRegex(@"(?<=\p{Ll})(?=\p{Lu}\p{Ll})")]
    private static partial Regex Humps();

    [GeneratedRegex(@"(?<!\S)(?:\(\d+\)|0\d+|\d{6,})(?!\S)")]
    private static partial Regex Counter();

    [GeneratedRegex(@"(?: (?:final|copy|edit|edited|web|small|large|v\d+))+$", RegexOptions.IgnoreCase)]
    private static partial Regex Version();

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();
}
