using System.Collections;
using System.Collections.Immutable;

namespace Dekoro.Core.Media;

/// <summary>
/// What the site's own columns hold for one picture: by name, without the empty ones. Equal where they hold the same.
/// </summary>
public sealed class CustomFields : IReadOnlyDictionary<string, string>, IEquatable<CustomFields>
{
    /// <summary>The most characters of a field's name.</summary>
    public const int MaxName = 40;

    /// <summary>No field.</summary>
    public static readonly CustomFields None = new(
        ImmutableSortedDictionary.Create<string, string>(StringComparer.OrdinalIgnoreCase)
    );

    private readonly ImmutableSortedDictionary<string, string> _values;

    private CustomFields(ImmutableSortedDictionary<string, string> values) => _values = values;

    /// <summary>These fields, in the order of their names.</summary>
    public static CustomFields Of(IEnumerable<KeyValuePair<string, string>> values) => None.With(values);

    /// <summary>These with some replaced; an empty text takes a value out.</summary>
    public CustomFields With(IEnumerable<KeyValuePair<string, string>>? changes)
    {
        var values = _values;
        foreach (var (name, text) in changes ?? [])
            values = string.IsNullOrWhiteSpace(text)
                ? values.Remove(name.Trim())
                : values.SetItem(name.Trim(), text.Trim());
        return values == _values ? this : new(values);
    }

    /// <summary>
    /// True for what a column may be called: a table's heading that no file, web page or search line could mistake.
    /// </summary>
    public static bool IsName(string name) =>
        name.Length is > 0 and <= MaxName
        && name.Trim() == name
        && name.All(c => char.IsLetterOrDigit(c) || c is ' ' or '-' or '\'')
        && name.Any(char.IsLetter);

    /// <inheritdoc/>
    public string this[string name] => _values[name];

    /// <inheritdoc/>
    public IEnumerable<string> Keys => _values.Keys;

    /// <inheritdoc/>
    public IEnumerable<string> Values => _values.Values;

    /// <inheritdoc/>
    public int Count => _values.Count;

    /// <inheritdoc/>
    public bool ContainsKey(string name) => _values.ContainsKey(name);

    /// <inheritdoc/>
    public bool TryGetValue(string name, out string text) => _values.TryGetValue(name, out text!);

    /// <inheritdoc/>
    public IEnumerator<KeyValuePair<string, string>> GetEnumerator() => _values.GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();

    /// <inheritdoc/>
    public bool Equals(CustomFields? other) => other is not null && _values.SequenceEqual(other._values);

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as CustomFields);

    /// <inheritdoc/>
    public override int GetHashCode() =>
        _values.Aggregate(0, (hash, v) =>
            HashCode.Combine(hash, StringComparer.OrdinalIgnoreCase.GetHashCode(v.Key), v.Value)
        );
}
