namespace Dekoro.Application.Publication;

/// <summary>A site that lies whole on the disk and is not served yet.</summary>
public sealed class WrittenSite
{
    internal WrittenSite(
        SiteRelease release,
        int written,
        IReadOnlyList<(SiteRelease Release, DateTimeOffset From)> later
    ) => (Now, Written, Later) = (release, written, later);

    /// <summary>Its name.</summary>
    public string Release => Now.Name;

    /// <summary>How many files had to be written for it.</summary>
    public int Written { get; }

    /// <summary>How many files there are.</summary>
    public int Files => Now.Count;

    /// <summary>What they weigh.</summary>
    public long Bytes => Now.Bytes;

    internal SiteRelease Now { get; }

    internal IReadOnlyList<(SiteRelease Release, DateTimeOffset From)> Later { get; }
}
