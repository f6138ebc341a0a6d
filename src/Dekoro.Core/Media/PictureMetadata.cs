namespace Dekoro.Core.Media;

/// <summary>The words kept with a picture; none is ever null.</summary>
/// <param name="Source">Where it came from: a mail, an address, an archive's entry.</param>
/// <param name="Keywords">With commas between.</param>
public sealed record PictureMetadata(
    string Title = "",
    string Alt = "",
    string Caption = "",
    string Description = "",
    string Credit = "",
    string Rights = "",
    string Folder = "",
    string Source = "",
    string Keywords = ""
)
{
    /// <summary>
    /// So many characters hold each of them, in the library and wherever a place has words of its own.
    /// </summary>
    public const int MaxChars = 5000;

    /// <summary>Under the site's own columns.</summary>
    public CustomFields Own { get; init; } = CustomFields.None;

    /// <summary>The keywords one by one.</summary>
    public IEnumerable<string> SplitKeywords() =>
        Keywords.Split([',', ';'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    /// <summary>What keeps them from being kept, as a sentence; null for nothing.</summary>
    public string? Refusal() =>
        Own.Keys.FirstOrDefault(n => !CustomFields.IsName(n)) is { } odd
            ? $"“{odd}” cannot head a column: letters, digits and spaces, at most {CustomFields.MaxName}."
            : TooLong([.. Own.Values])
                ?? TooLong(Title, Alt, Caption, Description, Credit, Rights, Folder, Source, Keywords)
                ?? (Title.Trim().Length == 0 ? "A picture needs a title: type one, or take the suggested one." : null);

    /// <returns>Null where none is.</returns>
    public static string? TooLong(params IReadOnlyList<string> texts) =>
        texts.Any(t => t.Length > MaxChars) ? $"A text here holds at most {MaxChars} characters: shorten it." : null;
}
