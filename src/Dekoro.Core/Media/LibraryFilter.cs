namespace Dekoro.Core.Media;

/// <param name="Value">As its kind asks: a name, a shape's name, px, a date; empty for kinds that stand alone.</param>
public sealed record LibraryFilter(FilterKind Kind, string Value = "")
{
    /// <summary>As it is typed: "shape:wide", "no-alt"; a value with spaces in quotation marks.</summary>
    public string Written =>
        LibraryQuery.NameOf(Kind)
        + (
            Value.Length == 0 ? ""
            : Value.Any(char.IsWhiteSpace) ? $"\"{Value}\""
            : Value
        );
}
