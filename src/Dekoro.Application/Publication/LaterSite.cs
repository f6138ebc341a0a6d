namespace Dekoro.Application.Publication;

/// <summary>A site that is served from a time on.</summary>
public sealed record LaterSite(DateTimeOffset From, IReadOnlyCollection<KeptPart> Parts)
{
    /// <summary>Keys of the parts of which something was found damaged.</summary>
    internal IReadOnlyCollection<string> Damaged { get; init; } = [];
}
