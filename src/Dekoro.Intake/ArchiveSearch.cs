using System.Collections.Immutable;
using Dekoro.Core.Media;

namespace Dekoro.Intake;

/// <summary>
/// Searches a catalogue by words and by any of its fields: <c>crane maker:"Ilse Marwick" year:1964</c>. Every word must
/// begin a word of the entry, every field hold what is asked of it.
/// </summary>
public static class ArchiveSearch
{
    private const int MaxValues = 12;

    /// <summary>The entries of a catalogue that a search line finds, with what there is to choose from.</summary>
    public static ArchiveFindings Find(ArchiveCatalogue catalogue, string? line)
    {
        var terms = Terms(line ?? "", catalogue);
        var found = Enumerable
            .Range(0, catalogue.Entries.Length)
            .Where(i => terms.All(t => t.Holds(catalogue.Entries[i])))
            .ToImmutableArray();
        var few = catalogue
            .Entries.SelectMany(e => e.Fields)
            .GroupBy(f => f.Label)
            .Where(g => g.Key.Length > 0 && g.Select(f => f.Value).Distinct().Count() is > 1 and <= MaxValues);
        var choices = few.SelectMany(field =>
            field
                .Select(f => f.Value)
                .Distinct()
                .Order(StringComparer.CurrentCulture)
                .Select(value =>
                {
                    var term = new Term(field.Key, value);
                    var isOn = terms.Contains(term);
                    var turned = isOn
                        ? terms.Where(t => t != term)
                        : terms.Where(t => t.Field != field.Key).Append(term);
                    // Of one field one value holds, so the counts of its others are those of the search without it.
                    var others = terms.Where(t => t.Field != field.Key).ToList();
                    return new ArchiveChoice(
                        field.Key,
                        value,
                        catalogue.Entries.Count(e => term.Holds(e) && others.All(t => t.Holds(e))),
                        isOn,
                        string.Join(' ', turned.Select(t => t.Written))
                    );
                })
        );
        return new(found, [.. choices]);
    }

    /// <param name="Field">Null: any of them, the label and the summary.</param>
    private sealed record Term(string? Field, string Value)
    {
        public string Written =>
            (Field is null ? "" : Quoted(Field.ToLowerInvariant(), ' ') + ":") + Quoted(Value, ' ');

        public bool Holds(ArchiveEntry entry) =>
            Field is null
                ? entry
                    .Fields.Select(f => f.Value)
                    .Append(entry.Label)
                    .Append(entry.Summary)
                    .Append(entry.Credit)
                    .Any(BeginsAWord)
                : entry.Fields.Any(f =>
                    f.Label == Field
                    && (f.Value.Equals(Value, StringComparison.OrdinalIgnoreCase) || BeginsAWord(f.Value))
                );

        private bool BeginsAWord(string text)
        {
            for (
                var at = text.IndexOf(Value, StringComparison.OrdinalIgnoreCase);
                at >= 0;
                at = text.IndexOf(Value, at + 1, StringComparison.OrdinalIgnoreCase)
            )
            {
                if (at == 0 || !char.IsLetterOrDigit(text[at - 1]))
                    return true;
            }
            return false;
        }

        private static string Quoted(string text, char when) =>
            text.Contains(when, StringComparison.Ordinal) ? $"\"{text}\"" : text;
    }

    private static List<Term> Terms(string line, ArchiveCatalogue catalogue)
    {
        var labels = catalogue.Entries.SelectMany(e => e.Fields).Select(f => f.Label).Distinct().ToList();
        var terms = new List<Term>();
        foreach (var token in Dekoro.Core.Media.SearchLine.Tokens(line))
        {
            var parts = token.Split(':', 2);
            var field =
                parts.Length == 2
                    ? labels.FirstOrDefault(l =>
                        l.Equals(
                            parts[0].Replace("\"", "", StringComparison.Ordinal),
                            StringComparison.OrdinalIgnoreCase
                        )
                    )
                    : null;
            var value = (field is null ? token : parts[1]).Replace("\"", "", StringComparison.Ordinal).Trim();
            if (value.Length > 0)
                terms.Add(new(field, value));
        }
        return terms;
    }
}
