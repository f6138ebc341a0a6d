using System.Collections;
using System.Collections.Immutable;

namespace Dekoro.Core.Library;

/// <summary>What the site's own columns hold for one picture: by name, without the empty ones. Equal where they hold the same.</summary>
public sealed class OwnWords : IReadOnlyDictionary<string, string>, IEquatable<OwnWords>
{
    public const int MostName = 40;

    public static readonly OwnWords None = new(ImmutableSortedDictionary.Create<string, string>(StringComparer.OrdinalIgnoreCase));

    private readonly ImmutableSortedDictionary<string, string> _values;

    private OwnWords(ImmutableSortedDictionary<string, string> values) => _values = values;

    public static OwnWords Of(IEnumerable<KeyValuePair<string, string>> values) => None.With(values);

    /// <summary>These with some replaced; an empty text takes a value out.</summary>
    public OwnWords With(IEnumerable<KeyValuePair<string, string>>? changes)
    {
        var values = _values;
        foreach (var (name, text) in changes ?? [])
            values = string.IsNullOrWhiteSpace(text) ? values.Remove(name.Trim()) : values.SetItem(name.Trim(), text.Trim());
        return values == _values ? this : new(values);
    }

    /// <summary>True for what a column may be called: a table's heading that no file, web page or search line could mistake.</summary>
    public static bool IsName(string name) =>
        name.Length is > 0 and <= MostName && name.Trim() == name && name.All(c => char.IsLetterOrDigit(c) || c is ' ' or '-' or '\'') && name.Any(char.IsLetter);

    public string this[string name] => _values[name];
    public IEnumerable<string> Keys => _values.Keys;
    public IEnumerable<string> Values => _values.Values;
    public int Count => _values.Count;
    public bool ContainsKey(string name) => _values.ContainsKey(name);
    public bool TryGetValue(string name, out string text) => _values.TryGetValue(name, out text!);
    public IEnumerator<KeyValuePair<string, string>> GetEnumerator() => _values.GetEnumerator();
    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();

    public bool Equals(OwnWords? other) => other is not null && _values.SequenceEqual(other._values);
    public override bool Equals(object? obj) => Equals(obj as OwnWords);
    public override int GetHashCode() => _values.Aggregate(0, (hash, v) => HashCode.Combine(hash, StringComparer.OrdinalIgnoreCase.GetHashCode(v.Key), v.Value));
}
