namespace Dekoro.Application.Preview;

/// <summary>What a window was last told of its page: its fragments and figures, as text to compare.</summary>
public sealed record GivenPreview(
    string Mark,
    IReadOnlyDictionary<string, string> Blocks,
    IReadOnlyDictionary<string, string> Figures
);
