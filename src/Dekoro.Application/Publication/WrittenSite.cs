namespace Dekoro.Application.Publication;

/// <summary>A site that lies whole on the disk and is not served yet.</summary>
/// <param name="Release">Its name.</param>
/// <param name="Written">How many files had to be written for it.</param>
public sealed record WrittenSite(string Release, int Written, IReadOnlyList<(string Name, DateTimeOffset From)> Later);
