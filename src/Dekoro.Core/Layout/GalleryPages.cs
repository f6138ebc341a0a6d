using System.Globalization;
using Dekoro.Core.Links;

namespace Dekoro.Core.Layout;

/// <summary>
/// A page whose galleries are shown so many pictures at a time is several: itself, and one for each further part of
/// each such gallery, on which all the others show their first.
/// </summary>
public static class GalleryPages
{
    /// <returns>The page itself first.</returns>
    public static IEnumerable<ResolvedPage> Of(ResolvedPage page)
    {
        yield return First(page);
        foreach (var set in page.Arrangements.Where(a => a.Sheets > 1))
            for (var n = 2; n <= set.Sheets; n++)
                yield return At(page, set, n);
    }

    /// <summary>The page on which every gallery shows its first part.</summary>
    public static ResolvedPage First(ResolvedPage page) =>
        page.Arrangements.All(a => a.Sheet is not null)
            ? page
            : page with
            {
                Document = page.Document.WithSheets(a => a.Sheet ?? 1),
            };

    /// <summary>The page with one of its galleries further on; itself where there is no such part.</summary>
    public static ResolvedPage At(ResolvedPage page, string? setId, int n) =>
        page.Arrangements.FirstOrDefault(a => a.Id == setId) is { } set && n > 1 && n <= set.Sheets
            ? At(page, set, n)
            : First(page);

    /// <summary>Where a part of a gallery stands under the site. No page has an underscore in its address.</summary>
    public static string PathOf(ResolvedPage page, ResolvedArrangement set, int n)
    {
        if (n == 1)
            return page.Path;
        var name =
            Slug.Of(set.Arrangement.Name) is { Length: > 0 } slug
            && page.Arrangements.Count(a => a.ArrangementId == set.ArrangementId || Slug.Of(a.Arrangement.Name) == slug)
                == 1
                ? slug
                : set.Id;
        return string.Create(
            CultureInfo.InvariantCulture,
            $"{(page.Path.Length > 0 ? page.Path + "/" : "")}{name}_{n}"
        );
    }

    private static ResolvedPage At(ResolvedPage page, ResolvedArrangement set, int n) =>
        page with
        {
            Id = string.Create(CultureInfo.InvariantCulture, $"{page.Id}~{set.Id}~{n}"),
            Path = PathOf(page, set, n),
            Document = page.Document.WithSheets(a => a.Id == set.Id ? n : 1),
            Sheet = new(page, set.Id),
        };
}
