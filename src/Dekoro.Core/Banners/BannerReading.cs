namespace Dekoro.Core.Banners;

/// <summary>A banner, or the field that keeps the values from being one and what is allowed there.</summary>
public sealed record BannerReading(Banner? Banner, string? Field, string? Sentence);
