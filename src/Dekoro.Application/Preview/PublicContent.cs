using Dekoro.Application.Hosting;
using Dekoro.Application.Site;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Banners;
using Dekoro.Storage;

namespace Dekoro.Application.Preview;

/// <summary>
/// All that a person can change of what a page shows, as one text: its own, the words and keep areas of its pictures,
/// its arrangements and banners, and the site's style.
/// </summary>
internal static class PublicContent
{
    /// <summary>Of a page as it is on its day.</summary>
    public static string Of(KnownPage known)
    {
        var page = known.Row!;
        var pictures = known
            .From.Pictures.OfType<Asset>()
            .OrderBy(a => a.Id, StringComparer.Ordinal)
            .Select(a => new
            {
                a.Id,
                a.Facts.Edition,
                a.Facts.Keep,
                a.Facts.Metadata.Title,
                a.Facts.Metadata.Alt,
                a.Facts.Metadata.Caption,
                a.Facts.Metadata.Description,
            });
        var content = Json.Write(
            new
            {
                page.Title,
                page.Path,
                page.Summary,
                page.Draft,
                Pictures = pictures,
                Style = StyleShelf.MarkOf(known.From.Style),
                Arrangements = known.From.Sets.Select(set => set is null ? null : ArrangementValues.Of(set).Write()),
            }
        );
        // Beside the rest: what was published before there were dates is no other for that.
        content = page.Dated is { } day ? content + Json.Write(day) : content;
        return known.From.Aimed.Length > 0 ? BannersOf(known.From) + content : content;
    }

    /// <summary>Before the rest, for the same reason: all that may stand at the top, whatever the day.</summary>
    private static string BannersOf(KnownFrom from)
    {
        var sets = from.BannerSets.OfType<Arrangement>().DistinctBy(s => s.Id).ToDictionary(s => s.Id);
        return Json.Write(
            from.Aimed.Select(b => new
            {
                b.Id,
                Values = BannerValues.Of(b) with
                {
                    Name = "",
                    Targets = [],
                },
                Set = b.Band.Backdrop.SetId is { } id && sets.TryGetValue(id, out var set)
                    ? ArrangementValues.Of(set).Write()
                    : null,
            })
        );
    }
}
