namespace Dekoro.Core.Banners;

/// <summary>Pages on which a banner may stand.</summary>
public abstract record BannerTarget
{
    private BannerTarget() { }

    /// <summary>Whether a page is one of them.</summary>
    public abstract bool Includes(BannerPage page);

    /// <summary>The more closely it names pages, the sooner a standing banner shows: 0 for all of a kind.</summary>
    public virtual int Closeness => 0;

    /// <summary>All pages that are no posts.</summary>
    public sealed record AllPages : BannerTarget
    {
        /// <inheritdoc/>
        public override bool Includes(BannerPage page) => !page.IsPost;
    }

    /// <summary>All posts.</summary>
    public sealed record AllPosts : BannerTarget
    {
        /// <inheritdoc/>
        public override bool Includes(BannerPage page) => page.IsPost;
    }

    /// <summary>Posts whose address begins with a folder, as news/2026.</summary>
    public sealed record PostsUnder(string Folder) : BannerTarget
    {
        /// <inheritdoc/>
        public override int Closeness => 1;

        /// <inheritdoc/>
        public override bool Includes(BannerPage page) =>
            page.IsPost && page.Path.StartsWith(Folder + "/", StringComparison.Ordinal);
    }

    /// <summary>One page or post.</summary>
    public sealed record OnePage(string PageId) : BannerTarget
    {
        /// <inheritdoc/>
        public override int Closeness => 2;

        /// <inheritdoc/>
        public override bool Includes(BannerPage page) => page.Id == PageId;
    }
}
