namespace Dekoro.Server.Contracts;

/// <param name="Alt">The place's own words from then on; null takes the library's.</param>
public sealed record SwappedPlace(string PageId, string BlockId, string? Alt = null);
