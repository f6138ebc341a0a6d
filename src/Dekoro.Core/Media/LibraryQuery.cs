using System.Collections.Immutable;
using System.Globalization;

namespace Dekoro.Core.Media;

/// <summary>
/// A search of the library: words, each of which must begin a word of the picture's, and filters, all of which must
/// hold.
/// </summary>
/// <param name="NotUnderstood">Sentences about what was typed like a filter and is none; the rest of the search
/// stands.</param>
public sealed record LibraryQuery(
    ImmutableArray<string> Words,
    ImmutableArray<LibraryFilter> Filters,
    ImmutableArray<string> NotUnderstood
)
{
    /// <summary>Wider than this is wide, narrower than its inverse tall, between them square.</summary>
    public const double WideFrom = 1.15;

    private static readonly ImmutableArray<string> ShapeNames = ["wide", "tall", "square"];

    /// <summary>Reads a line such as <c>kite shape:wide unused folder:"Lantern nights" since:2026-05</c>.</summary>
    public static LibraryQuery Read(string? line)
    {
        var (words, filters, sentences) = (new List<string>(), new List<LibraryFilter>(), new List<string>());
        foreach (var token in SearchLine.Tokens(line ?? ""))
        {
            var colon = token.IndexOf(':', StringComparison.Ordinal);
            var name = colon < 0 ? token : token[..(colon + 1)];
            // In quotation marks everything is words, even what would be a filter.
            if (token[0] == '"' || Kind(name) is not { } kind)
            {
                words.AddRange(
                    token.Split(['"', .. token.Where(char.IsWhiteSpace)], StringSplitOptions.RemoveEmptyEntries)
                );
                continue;
            }
            var value = colon < 0 ? "" : token[(colon + 1)..].Replace("\"", "", StringComparison.Ordinal).Trim();
            if (Problem(kind, value) is { } problem)
                sentences.Add(problem);
            else
                filters.Add(new(kind, Normal(kind, value)));
        }
        return new([.. words], [.. filters.Distinct()], [.. sentences.Distinct()]);
    }

    /// <summary>The line that reads as this search.</summary>
    public string Written => string.Join(' ', Words.Select(Quoted).Concat(Filters.Select(f => f.Written)));

    private static string Quoted(string word) =>
        Kind(word) is not null || Kind(word[..(word.IndexOf(':', StringComparison.Ordinal) + 1)]) is not null
            ? $"\"{word}\""
            : word;

    /// <summary>The same search with a filter switched on, or off where it is on.</summary>
    public LibraryQuery Turned(LibraryFilter filter) =>
        this with
        {
            Filters = Filters.Contains(filter) ? Filters.Remove(filter) : Filters.Add(filter),
        };

    /// <inheritdoc/>
    public bool Equals(LibraryQuery? other) => other is not null && Written == other.Written;

    /// <inheritdoc/>
    public override int GetHashCode() => Written.GetHashCode(StringComparison.Ordinal);

    /// <summary>
    /// First day a since filter takes, or the last an until filter takes: a year or month stands for all its days.
    /// </summary>
    public static DateOnly? DateOf(LibraryFilter filter)
    {
        foreach (
            var (format, last) in new (string, Func<DateOnly, DateOnly>)[]
            {
                ("yyyy-MM-dd", d => d),
                ("yyyy-MM", d => d.AddMonths(1).AddDays(-1)),
                ("yyyy", d => d.AddYears(1).AddDays(-1)),
            }
        )
        {
            if (
                DateOnly.TryParseExact(
                    filter.Value,
                    format,
                    CultureInfo.InvariantCulture,
                    DateTimeStyles.None,
                    out var date
                )
            )
                return filter.Kind == FilterKind.Until ? last(date) : date;
        }
        return null;
    }

    internal static string NameOf(FilterKind kind) =>
        kind switch
        {
            FilterKind.Unused => "unused",
            FilterKind.Used => "used",
            FilterKind.NoAlt => "no-alt",
            FilterKind.NoTitle => "no-title",
            FilterKind.Soft => "soft",
            FilterKind.Twin => "twin",
            FilterKind.Away => "removed",
            _ => kind.ToString().ToLowerInvariant() + ":",
        };

    private static FilterKind? Kind(string name)
    {
        // Both spellings are common.
        if (string.Equals(name, "color:", StringComparison.OrdinalIgnoreCase))
            return FilterKind.Colour;
        // Kept searches of an earlier version.
        if (string.Equals(name, "taken-away", StringComparison.OrdinalIgnoreCase))
            return FilterKind.Away;
        foreach (var kind in Enum.GetValues<FilterKind>())
        {
            if (string.Equals(NameOf(kind), name, StringComparison.OrdinalIgnoreCase))
                return kind;
        }
        return null;
    }

    private static string Normal(FilterKind kind, string value) =>
        kind switch
        {
            FilterKind.Type => TypeOf(value),
            FilterKind.Shape or FilterKind.Colour => value.ToLowerInvariant(),
            FilterKind.Wider or FilterKind.Taller => Px(value)!.Value.ToString(CultureInfo.InvariantCulture),
            _ => value,
        };

    /// <summary>A type by its name or by the end of a file's name.</summary>
    private static string TypeOf(string value) =>
        value.TrimStart('.').ToLowerInvariant() switch
        {
            "jpg" => "jpeg",
            "tif" => "tiff",
            var other => other,
        };

    private static string? Problem(FilterKind kind, string value) =>
        kind switch
        {
            FilterKind.Shape when !ShapeNames.Contains(value.ToLowerInvariant()) =>
                $"shape: takes {string.Join(", ", ShapeNames)}.",
            FilterKind.Wider or FilterKind.Taller when Px(value) is null =>
                $"{NameOf(kind)} takes a number of px, as in {NameOf(kind)}1600.",
            FilterKind.Since or FilterKind.Until when DateOf(new(kind, value)) is null =>
                $"{NameOf(kind)} takes a year, a month or a day, as in {NameOf(kind)}2026-05.",
            FilterKind.Type when !Enum.TryParse<PictureFormat>(TypeOf(value), true, out _) || value.All(char.IsDigit) =>
                $"type: takes {string.Join(", ", Enum.GetNames<PictureFormat>()).ToLowerInvariant()}.",
            FilterKind.Colour when !ColourNames.All.Contains(value.ToLowerInvariant()) =>
                $"colour: takes {string.Join(", ", ColourNames.All)}.",
            FilterKind.Folder or FilterKind.Credit or FilterKind.By when value.Length == 0 =>
                $"{NameOf(kind)} takes a name; put one with spaces in quotation marks.",
            _ => null,
        };

    private static int? Px(string value) =>
        int.TryParse(
            value.EndsWith("px", StringComparison.OrdinalIgnoreCase) ? value[..^2] : value,
            NumberStyles.None,
            CultureInfo.InvariantCulture,
            out var px
        )
            ? px
            : null;
}
