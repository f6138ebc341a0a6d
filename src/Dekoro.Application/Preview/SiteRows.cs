using System.Collections.Immutable;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Storage;

namespace Dekoro.Application.Preview;

/// <summary>The rows of a site at one moment.</summary>
/// <param name="Number">Of the last change that is in it.</param>
/// <param name="PicturesNumber">Of the last change to any picture: what follows a search is looked up again.</param>
/// <param name="Pages">Pages, then posts, in the order of the menu.</param>
/// <param name="Addresses">Of what is public; the same object as long as no address is another.</param>
public sealed record SiteRows(
    long Number,
    long PicturesNumber,
    ImmutableArray<PageRow> Pages,
    ImmutableDictionary<string, PageRow> PageById,
    ImmutableArray<ContentRow> Arrangements,
    ImmutableDictionary<string, ContentRow> ArrangementById,
    ImmutableArray<StoredDownload> Downloads,
    SiteAddresses Addresses
)
{
    /// <summary>Pages that were touched, and how they are read.</summary>
    internal readonly record struct TouchedPages(
        IReadOnlySet<string> Ids,
        Func<IReadOnlyCollection<string>, IReadOnlyList<PageRow>> Read
    );

    internal static SiteRows Of(
        long number,
        IReadOnlyList<PageRow> pages,
        IReadOnlyList<ContentRow> arrangements,
        ImmutableArray<StoredDownload> downloads
    ) =>
        new(
            number,
            number,
            [.. pages],
            pages.ToImmutableDictionary(p => p.Id),
            [.. arrangements],
            arrangements.ToImmutableDictionary(a => a.Id),
            downloads,
            AddressesOf(pages, downloads)
        );

    /// <param name="arrangements">Null where none was touched; files likewise.</param>
    internal SiteRows After(
        long number,
        TouchedPages touched,
        IReadOnlyList<ContentRow>? arrangements,
        IReadOnlyList<StoredDownload>? downloads,
        bool arePicturesTouched
    )
    {
        var next = this with { Number = number, PicturesNumber = arePicturesTouched ? number : PicturesNumber };
        if (touched.Ids.Count > 0)
        {
            var read = touched.Read([.. touched.Ids]);
            var byId = PageById.RemoveRange(touched.Ids).AddRange(read.Select(p => KeyValuePair.Create(p.Id, p)));
            next = next with
            {
                PageById = byId,
                Pages = AreWhereTheyWere(read, touched.Ids.Count) ? InPlace(Pages, read) : InOrder(byId.Values),
            };
        }
        if (arrangements is not null)
            next = next with
            {
                Arrangements = [.. arrangements.Select(Known)],
                ArrangementById = arrangements.Select(Known).ToImmutableDictionary(a => a.Id),
            };
        if (downloads is not null)
            next = next with { Downloads = [.. downloads] };
        return downloads is not null || touched.Ids.Any(id => IsElsewhere(id, next))
            ? next with
            {
                Addresses = AddressesOf(next.Pages, next.Downloads),
            }
            : next;
    }

    private ContentRow Known(ContentRow row) =>
        ArrangementById.TryGetValue(row.Id, out var known) && known == row ? known : row;

    private bool IsElsewhere(string id, SiteRows next) =>
        Where(PageById.GetValueOrDefault(id)) != Where(next.PageById.GetValueOrDefault(id));

    private static string? Where(PageRow? page) => page is { IsOn: true } ? page.Path : null;

    private bool AreWhereTheyWere(IReadOnlyList<PageRow> read, int touched) =>
        read.Count == touched
        && read.All(p => PageById.TryGetValue(p.Id, out var was) && (was.Kind, was.Position) == (p.Kind, p.Position));

    private static ImmutableArray<PageRow> InPlace(ImmutableArray<PageRow> pages, IReadOnlyList<PageRow> read)
    {
        var byId = read.ToDictionary(p => p.Id);
        return [.. pages.Select(p => byId.GetValueOrDefault(p.Id, p))];
    }

    private static ImmutableArray<PageRow> InOrder(IEnumerable<PageRow> pages) =>
        [
            .. pages
                .OrderBy(p => p.Kind, StringComparer.Ordinal)
                .ThenBy(p => p.Position)
                .ThenBy(p => p.Id, StringComparer.Ordinal),
        ];

    private static SiteAddresses AddressesOf(IEnumerable<PageRow> pages, ImmutableArray<StoredDownload> downloads)
    {
        var names = Download.PublicNames(downloads.Where(d => d.AwaySince is null).Select(d => d.Facts));
        return new(pages.Where(p => p.IsOn).ToDictionary(p => p.Id, p => p.Path), new HashSet<string>())
        {
            FileById = downloads
                .Where(d => names.ContainsKey(d.Id))
                .ToDictionary(
                    d => d.Id,
                    d => new LinkedFile(
                        PlanningContext.FilesFolder + names[d.Id],
                        d.Facts.Title,
                        d.Facts.Type.Name,
                        d.Facts.Bytes
                    )
                ),
        };
    }
}
