namespace Dekoro.Server.Contracts;

/// <summary>All banners, those before others first.</summary>
/// <param name="Today">The day it is where the site is, as 2026-12-01.</param>
/// <param name="Pages">On which they may stand, pages first, each with its kind.</param>
/// <param name="Folders">Of addresses of posts.</param>
/// <param name="MaxButtons">How many buttons a banner may have.</param>
/// <param name="CalendarAddress">Where the days are to be had as a calendar; null where that is off.</param>
public sealed record BannerList(
    IReadOnlyList<BannerResponse> Items,
    string Today,
    IReadOnlyList<BannerPageItem> Pages,
    IReadOnlyList<string> Folders,
    int MaxButtons,
    string? CalendarAddress
);
