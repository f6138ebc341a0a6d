using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Planning;

namespace Dekoro.Publishing;

/// <summary>Everything the views need to write one page.</summary>
/// <param name="Root">From the page to the site's root: "./", "../", "../../".</param>
/// <param name="IsProof">A proof follows links into other proofs and is never indexed.</param>
public sealed record PageModel(PagePlan Plan, SiteFrame Frame, IFileAddresses Files, string Root, bool IsProof)
{
    /// <summary>From a page's address to the root of its site.</summary>
    public static string RootOf(string path) =>
        path.Length == 0 ? "./" : string.Concat(Enumerable.Repeat("../", path.Count(c => c == '/') + 1));

    public bool IsFront => Plan.Page.Path.Length == 0;

    /// <summary>Where an entry of the menu leads from this page.</summary>
    public string HrefOf(MenuEntry entry) =>
        IsProof ? $"/proof/{entry.PageId}" : Root + (entry.Path.Length == 0 ? "" : entry.Path + "/");

    /// <summary>The address of another part of a gallery on this page.</summary>
    public string HrefOf(ResolvedArrangement set, int sheet) =>
        (
            IsProof ? $"?set={set.Id}&sheet={sheet}"
            : GalleryPages.PathOf(Plan.Page.Main, set, sheet) is { Length: > 0 } path ? Root + path + "/"
            : Root
        )
        + "#"
        + set.Id;

    /// <returns>Null for none, and for a file that is no more in the library.</returns>
    public string? HrefOfFile(string? fileId) =>
        fileId is not null && Plan.Addresses.FileById.ContainsKey(fileId) ? HrefOf(new Link.File(fileId)) : null;

    /// <summary>The address of a link; null where it leads to a page that is not public.</summary>
    public string? HrefOf(Link link)
    {
        if (link is Link.File file)
            return IsProof ? $"/media/file/{file.FileId}"
                : Plan.Addresses.FileById.TryGetValue(file.FileId, out var at) ? Root + at.Address
                : null;
        if (link is not Link.Page page)
            return link.Written;
        var entry = Frame.Menu.Concat(Frame.Posts).FirstOrDefault(e => e.PageId == page.PageId);
        return entry is null ? null : HrefOf(entry) + (page.Fragment is null ? "" : "#" + page.Fragment);
    }
}
