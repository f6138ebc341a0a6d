using System.Collections.Immutable;
using System.Text.Json;

namespace Dekoro.Intake.Sword;

/// <summary>What an archive says it takes, and where.</summary>
/// <param name="Title">Of the archive; empty where it does not say.</param>
/// <param name="TakesDeposits">Whether the address takes any itself.</param>
/// <param name="MaxBytes">Of one file; null where it does not say.</param>
/// <param name="MediaTypes">That it takes; <c>*/*</c> for all.</param>
/// <param name="MetadataFormats">Empty where it does not say; <c>*</c> for all.</param>
/// <param name="Services">Addresses within that may take deposits where this one does not.</param>
/// <remarks>SWORD 3.0 Specification, 9.2 Service Document.</remarks>
public sealed record SwordService(
    string Title,
    bool TakesDeposits,
    long? MaxBytes,
    ImmutableArray<string> MediaTypes,
    ImmutableArray<string> MetadataFormats,
    ImmutableArray<string> Services
)
{
    /// <exception cref="UnreadableException">Not a service document.</exception>
    public static SwordService Read(byte[] document)
    {
        var json = SwordJson.Parse(document, "ServiceDocument");
        return new(
            SwordJson.Text(json, "dc:title"),
            !json.TryGetProperty("acceptDeposits", out var takes) || takes.ValueKind != JsonValueKind.False,
            SwordJson.Number(json, "maxUploadSize"),
            [.. SwordJson.Texts(json, "accept")],
            [.. SwordJson.Texts(json, "acceptMetadata")],
            [.. SwordJson.List(json, "services").Select(s => SwordJson.Text(s, "@id")).Where(id => id.Length > 0)]
        );
    }

    /// <summary>Why a file is not sent at all; null where it may be.</summary>
    public string? Refusal(string mediaType, long bytes)
    {
        var name = Title.Length > 0 ? Title : "The archive";
        if (!TakesDeposits)
            return $"{name} takes nothing at this address: give the address of one of its collections in Site.";
        if (bytes > MaxBytes)
            return $"{name} takes files of at most {MaxBytes.Value / 1e6:0.#} MB, and this one has "
                + $"{bytes / 1e6:0.#} MB: hand over a smaller copy.";
        if (!MediaTypes.IsEmpty && !MediaTypes.Any(t => Holds(t, mediaType)))
            return $"{name} takes no {mediaType}, only {string.Join(", ", MediaTypes)}.";
        return MetadataFormats.IsEmpty || MetadataFormats.Any(f => f is "*" or SwordTerms.MetadataFormat)
            ? null
            : $"{name} takes no descriptions in the form that all archives of this kind should (Dublin Core).";
    }

    /// <summary>Media ranges (RFC 9110, 12.5.1).</summary>
    private static bool Holds(string range, string type) =>
        range is "*/*" or "*"
        || range.Equals(type, StringComparison.OrdinalIgnoreCase)
        || range.EndsWith("/*", StringComparison.Ordinal)
            && type.StartsWith(range[..^1], StringComparison.OrdinalIgnoreCase);
}
