namespace Dekoro.Publishing;

/// <summary>What stands on every page of the site.</summary>
public sealed record SiteFrame(
    string Name,
    string Language,
    IReadOnlyList<MenuEntry> Menu,
    IReadOnlyList<MenuEntry> Posts
);
