namespace Dekoro.Application.Publication;

/// <summary>A site that is served from a time on.</summary>
public sealed record LaterSite(DateTimeOffset From, IReadOnlyDictionary<string, SiteFile> Files);
