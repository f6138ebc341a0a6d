namespace Dekoro.Core.Publication;

/// <summary>The order in which visitors meet posts.</summary>
public static class PostOrder
{
    /// <summary>The newest day first; of one day, and without any, they keep the order they have.</summary>
    /// <returns>Ids.</returns>
    public static IReadOnlyList<string> NewestFirst(IEnumerable<(string Id, DateOnly? Day)> posts) =>
        [.. posts.OrderByDescending(p => p.Day ?? DateOnly.MinValue).Select(p => p.Id)];
}
