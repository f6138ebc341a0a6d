namespace Dekoro.Application.Drafts;

/// <summary>Places in which another picture stands now.</summary>
/// <param name="Pages">How many pages show it.</param>
/// <param name="Was">Each place with the words it had of its own: with them it can be undone.</param>
public sealed record SwappedPictures(int Pages, IReadOnlyList<(string PageId, string BlockId, string? Alt)> Was);
