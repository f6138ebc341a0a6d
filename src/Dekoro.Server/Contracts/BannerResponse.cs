using Dekoro.Core.Banners;

namespace Dekoro.Server.Contracts;

/// <summary>A banner as it is kept.</summary>
/// <param name="InWords">When it is shown.</param>
public sealed record BannerResponse(string Id, long Version, BannerValues Values, string InWords);
