namespace Dekoro.Core.Banners;

/// <param name="Name">Of one page its id, of a folder its address; else empty.</param>
public sealed record TargetValues(TargetKind Kind, string Name = "")
{
    private const int MaxChars = 200;

    /// <summary>The values of a target, as a form shows them.</summary>
    public static TargetValues Of(BannerTarget target) =>
        target switch
        {
            BannerTarget.AllPages => new(TargetKind.Pages),
            BannerTarget.AllPosts => new(TargetKind.Posts),
            BannerTarget.OnePage one => new(TargetKind.Page, one.PageId),
            BannerTarget.PostsUnder under => new(TargetKind.Folder, under.Folder),
            _ => throw new ArgumentException("Unknown target.", nameof(target)),
        };

    /// <returns>Null where what it names cannot be.</returns>
    public BannerTarget? Read()
    {
        var name = Name?.Trim().Trim('/') ?? "";
        return Kind switch
        {
            TargetKind.Pages => new BannerTarget.AllPages(),
            TargetKind.Posts => new BannerTarget.AllPosts(),
            TargetKind.Page when name.Length is > 0 and <= MaxChars => new BannerTarget.OnePage(name),
            TargetKind.Folder when name.Length is > 0 and <= MaxChars => new BannerTarget.PostsUnder(name),
            _ => null,
        };
    }
}
