using NodaTime;

namespace Dekoro.Core.Banners;

/// <summary>Days on which the same banner stands at the top of a page; both ends count.</summary>
/// <param name="BannerId">Null for days without one.</param>
public readonly record struct BannerSpan(LocalDate From, LocalDate Until, string? BannerId);
