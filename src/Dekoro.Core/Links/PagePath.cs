namespace Dekoro.Core.Links;

/// <summary>Addresses that pages may have below the site's own.</summary>
public static class PagePath
{
    private const string News = "news/";

    /// <summary>Folders of the public site that hold files.</summary>
    private static readonly string[] Reserved = ["media", "assets"];

    /// <summary>
    /// What a page's title gives, and its kind where the title holds no letter: posts lie in a folder.
    /// </summary>
    public static string Of(string title, string kind, bool isPost) =>
        (isPost ? News : "") + (Slug.Of(title) is { Length: > 0 } slug ? slug : kind);

    /// <returns>What a person is told; null for an address that a page can have.</returns>
    public static string? ErrorOf(string path) =>
        !Slug.IsPath(path)
            ? "An address holds small letters, digits and hyphens, with slashes between parts, as in "
                + "news/lantern-night."
        : Reserved.Contains(path.Split('/')[0])
            ? $"Addresses that begin with {string.Join(" or ", Reserved)} are kept for files: choose another."
        : null;
}
