using System.Globalization;
using Dekoro.Core.Media;

namespace Dekoro.Storage;

/// <summary>
/// A search of the library as SQL. Every value is a parameter; what is judged, Core's thresholds judge.
/// </summary>
internal static class SearchSql
{
    private const int MaxWords = 12;

    /// <returns>From FROM to the end of WHERE, with its parameters.</returns>
    public static (string From, (string, object?)[] Parameters) From(
        LibraryQuery query,
        IReadOnlyCollection<string> used
    )
    {
        var (wanted, unwanted) = (query.Words.Where(w => !IsUnwanted(w)).ToList(), query.Words.Where(IsUnwanted));
        var match = MatchOf(wanted);
        // Words of which nothing can be searched for, such as "—", find nothing rather than everything.
        if (match is null && wanted.Count > 0)
            return ("FROM asset WHERE FALSE", []);
        var conditions = new List<string>();
        var parameters = new List<(string, object?)>();
        if (match is not null)
        {
            conditions.Add("asset_words MATCH $match");
            parameters.Add(("$match", match));
        }
        foreach (var (word, i) in unwanted.Select(w => MatchOf([w[1..]])).OfType<string>().Select((w, i) => (w, i)))
        {
            conditions.Add($"asset.key NOT IN (SELECT rowid FROM asset_words WHERE asset_words MATCH $not{i})");
            parameters.Add(($"$not{i}", word));
        }
        AddUsed(query.Filters, used, parameters);
        foreach (var (filter, i) in query.Filters.Select((f, i) => (f, i)))
            conditions.Add(Condition(filter, $"$f{i}", parameters));
        if (query.Filters.All(f => f.Kind != FilterKind.Away))
            conditions.Add("asset.away_since IS NULL");
        var from = match is null ? "FROM asset" : "FROM asset_words JOIN asset ON asset.key = asset_words.rowid";
        return (conditions.Count == 0 ? from : $"{from} WHERE {string.Join(" AND ", conditions)}", [.. parameters]);
    }

    public static (IReadOnlyList<string> Sums, (string, object?)[] Parameters) Sums(
        IReadOnlyList<LibraryFilter> filters,
        IReadOnlyCollection<string> used
    )
    {
        var parameters = new List<(string, object?)>();
        AddUsed(filters, used, parameters, "$used2");
        var sums = filters.Select((f, i) => $"sum({Condition(f, $"$s{i}", parameters, "$used2")})").ToList();
        return (sums, [.. parameters]);
    }

    private static string Condition(
        LibraryFilter filter,
        string name,
        List<(string, object?)> parameters,
        string used = "$used"
    )
    {
        const string shape = "(1.0 * asset.width / asset.height)";
        return filter.Kind switch
        {
            // A whole name means that folder; what is none means all that begin with it.
            FilterKind.Folder => With(
                filter.Value,
                $"(asset.folder = {name} COLLATE NOCASE OR (substr(asset.folder, 1, length({name})) = {name} COLLATE "
                    + $"NOCASE AND NOT EXISTS (SELECT 1 FROM asset AS a WHERE a.folder = {name} COLLATE NOCASE)))"
            ),
            FilterKind.Credit => With(filter.Value, $"instr(lower(asset.credit), lower({name})) > 0"),
            FilterKind.By => With(filter.Value, $"instr(lower(asset.added_by), lower({name})) > 0"),
            FilterKind.Colour => With(filter.Value, $"instr(asset.colours, ' ' || {name} || ' ') > 0"),
            FilterKind.Type => With(filter.Value, $"asset.format = {name} COLLATE NOCASE"),
            FilterKind.Wider => With(int.Parse(filter.Value, CultureInfo.InvariantCulture), $"asset.width >= {name}"),
            FilterKind.Taller => With(int.Parse(filter.Value, CultureInfo.InvariantCulture), $"asset.height >= {name}"),
            FilterKind.Shape => With(
                LibraryQuery.WideFrom,
                filter.Value switch
                {
                    "wide" => $"{shape} >= {name}",
                    "tall" => $"{shape} <= 1 / {name}",
                    _ => $"({shape} < {name} AND {shape} > 1 / {name})",
                }
            ),
            FilterKind.Used => $"asset.id IN (SELECT value FROM json_each({used}))",
            FilterKind.Unused => $"asset.id NOT IN (SELECT value FROM json_each({used}))",
            FilterKind.Twin => "EXISTS (SELECT 1 FROM twin JOIN asset AS other ON other.id = twin.other_id WHERE "
                + "twin.asset_id = asset.id AND other.away_since IS NULL)",
            FilterKind.Away => "asset.away_since IS NOT NULL",
            FilterKind.NoAlt => "asset.alt = ''",
            FilterKind.NoTitle => "asset.no_title",
            FilterKind.Soft => With(
                PictureFacts.BlurredFromEdgePx,
                $"(asset.format <> 'Svg' AND asset.edge_px >= {name})"
            ),
            FilterKind.Since => With(Day(LibraryQuery.DateOf(filter)), $"asset.added_at >= {name}"),
            FilterKind.Until => With(Day(LibraryQuery.DateOf(filter)?.AddDays(1)), $"asset.added_at < {name}"),
            _ => throw new ArgumentException($"No way to search by {filter.Kind}.", nameof(filter)),
        };

        string With(object? value, string condition)
        {
            parameters.Add((name, value));
            return condition;
        }
    }

    private static void AddUsed(
        IEnumerable<LibraryFilter> filters,
        IReadOnlyCollection<string> used,
        List<(string, object?)> parameters,
        string name = "$used"
    )
    {
        if (filters.Any(f => f.Kind is FilterKind.Used or FilterKind.Unused))
            parameters.Add((name, System.Text.Json.JsonSerializer.Serialize(used)));
    }

    private static string? Day(DateOnly? date) => date?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    /// <summary>With a minus before it: what has the word is left out.</summary>
    private static bool IsUnwanted(string word) => word.Length > 1 && word[0] == '-';

    /// <summary>
    /// Each word quoted, so that nothing typed is an operator, and open at its end; null for no words.
    /// </summary>
    private static string? MatchOf(IEnumerable<string> words)
    {
        var match = words
            .Take(MaxWords)
            .Select(word => new string([.. word.Where(c => !char.IsControl(c) && c != '"')]))
            .Where(letters => letters.Any(char.IsLetterOrDigit))
            .Select(letters => $"\"{letters}\"*");
        return string.Join(' ', match) is { Length: > 0 } text ? text : null;
    }
}
