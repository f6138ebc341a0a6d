namespace Dekoro.Intake.Sword;

/// <summary>Names that stand in requests and documents of deposits.</summary>
/// <remarks>SWORD 3.0 Specification (2019); JSON-LD 1.1.</remarks>
public static class SwordTerms
{
    public const string Context = "https://swordapp.github.io/swordv3/swordv3.jsonld",
        Version = "http://purl.org/net/sword/3.0",
        MetadataFormat = Version + "/types/Metadata",
        Binary = Version + "/package/Binary",
        OriginalDeposit = Version + "/terms/originalDeposit";

    /// <summary>States of an object (9.6): in the making, taken, in the archive, turned down, taken out.</summary>
    public const string InProgress = Version + "/state/inProgress",
        Accepted = Version + "/state/accepted",
        Ingested = Version + "/state/ingested",
        Rejected = Version + "/state/rejected",
        Deleted = Version + "/state/deleted";

    /// <summary>Headers of its own.</summary>
    public const string PackagingHeader = "Packaging",
        MetadataFormatHeader = "Metadata-Format",
        InProgressHeader = "In-Progress",
        DigestHeader = "Digest";
}
