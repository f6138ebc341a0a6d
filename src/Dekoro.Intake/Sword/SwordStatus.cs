using System.Collections.Immutable;

namespace Dekoro.Intake.Sword;

/// <summary>How a deposit stands in the archive.</summary>
/// <param name="Object">Its address; empty where it does not say.</param>
/// <param name="ETag">To be named by the next change (If-Match); empty where the archive asks for none.</param>
/// <param name="Metadata">Where its words are replaced; empty where they cannot be.</param>
/// <param name="States">See <see cref="SwordTerms"/>.</param>
/// <param name="Files">Names of files it holds as they were handed in, the last part of their addresses.</param>
/// <param name="Page">Where people see it; empty where it does not say.</param>
/// <remarks>SWORD 3.0 Specification, 9.6 Status Document.</remarks>
public sealed record SwordStatus(
    string Object,
    string ETag,
    string Metadata,
    string MetadataETag,
    ImmutableArray<string> States,
    ImmutableArray<string> Files,
    string Page
)
{
    /// <summary>All of it is there and closed.</summary>
    public bool IsWhole => !Files.IsEmpty && !States.Contains(SwordTerms.InProgress);

    /// <summary>The archive looked at it and does not keep it.</summary>
    public bool IsTurnedDown => States.Contains(SwordTerms.Rejected) || States.Contains(SwordTerms.Deleted);

    /// <exception cref="UnreadableException">Not a status document.</exception>
    public static SwordStatus Read(byte[] document)
    {
        var json = SwordJson.Parse(document, "Status");
        var metadata = SwordJson.List(json, "metadata").FirstOrDefault();
        var links = SwordJson.List(json, "links");
        string AddressOf(string rel) =>
            links
                .Where(l => SwordJson.Texts(l, "rel").Contains(rel))
                .Select(l => SwordJson.Text(l, "@id"))
                .FirstOrDefault("");
        return new(
            SwordJson.Text(json, "@id"),
            SwordJson.Text(json, "eTag"),
            SwordJson.Text(metadata, "@id"),
            SwordJson.Text(metadata, "eTag"),
            [.. SwordJson.List(json, "state").Select(s => SwordJson.Text(s, "@id"))],
            [
                .. links
                    .Where(l => SwordJson.Texts(l, "rel").Contains(SwordTerms.OriginalDeposit))
                    .Select(l => SwordJson.Text(l, "@id").Split('/')[^1]),
            ],
            AddressOf("alternate")
        );
    }
}
