namespace Dekoro.StandIns.Archive;

/// <summary>A thing that was handed to the archive.</summary>
/// <param name="Words">Its description, by terms such as <c>dc:title</c>.</param>
/// <param name="File">Null until it came.</param>
/// <param name="IsOpen">More is to come before it is shown.</param>
/// <param name="Version">Of all of it, counted up.</param>
internal sealed record Deposited(
    int Number,
    IReadOnlyDictionary<string, string> Words,
    DepositedFile? File,
    bool IsOpen,
    int Version
)
{
    public string ETag => $"{Number}.{Version}";

    /// <summary>One of its terms; empty where it has none.</summary>
    public string Word(string term) => Words.GetValueOrDefault(term, "");
}
