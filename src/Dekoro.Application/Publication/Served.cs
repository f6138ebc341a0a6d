namespace Dekoro.Application.Publication;

/// <summary>What visitors meet from a moment on.</summary>
/// <param name="Release">Read when it is first asked for.</param>
/// <param name="Folder">Of a site that an earlier version wrote as files in a folder; null for any other.</param>
internal sealed record Served(string Name, DateTimeOffset From, Lazy<SiteRelease> Release, string? Folder = null)
{
    /// <summary>The file at an address; null where there is none, or it is damaged.</summary>
    public string? PathOf(string address, SiteStore store)
    {
        if (Folder is not null)
            return StaticFolder.IsInside(address) && Path.Combine(Folder, address) is var path && File.Exists(path)
                ? path
                : null;
        if (Release.Value.Files.TryGetValue(address, out var file))
            return store.Find(address, file);
        return Release.Value.Media.TryGetValue(address, out var media)
            ? store.Find(address, new("", media.Bytes, null, null))
            : null;
    }
}
