namespace Dekoro.Server.Contracts;

/// <summary>What is to be worked out of a year of banners.</summary>
/// <param name="PageId">Whose top.</param>
/// <param name="Order">Ids in an order that is being tried; null for that which is kept.</param>
/// <param name="Instead">Dates that are being tried; null for those that are kept.</param>
public sealed record BannerTimes(string PageId, int Year, IReadOnlyList<string>? Order, TriedDates? Instead);
