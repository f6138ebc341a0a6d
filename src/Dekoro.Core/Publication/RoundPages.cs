namespace Dekoro.Core.Publication;

/// <summary>What of pages stands round others: the menu of pages, and the front page's list of posts.</summary>
/// <param name="Menu">On every page, in its order.</param>
/// <param name="Posts">On the front page, in their order.</param>
public sealed record RoundPages(IReadOnlyList<MenuLine> Menu, IReadOnlyList<MenuLine> Posts)
{
    /// <returns>A sentence for each of the two that changes.</returns>
    public static IEnumerable<string> ChangesBetween(RoundPages before, RoundPages now)
    {
        foreach (
            var (what, changes) in new[]
            {
                ("The menu of every page changes", MenuChanges.Between(before.Menu, now.Menu)),
                ("The list of posts on the front page changes", MenuChanges.Between(before.Posts, now.Posts)),
            }
        )
        {
            if (changes.Length > 0)
                yield return $"{what}: {string.Join("; ", changes)}.";
        }
    }
}
