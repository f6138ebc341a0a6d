using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Media;

namespace Dekoro.Core.Planning;

/// <summary>
/// document + style + facts → <see cref="PagePlan"/>. Decides once; every reader takes it from there.
/// </summary>
public static class PagePlanner
{
    /// <summary>Where the page's pictures stand, before any ladder is chosen.</summary>
    public static ImmutableArray<Place> PlacesOf(
        ResolvedPage page,
        PageLayout layout,
        IReadOnlyDictionary<string, PictureFacts> pictures
    ) =>
        PlacesOf(
            page.Id,
            new LaidPage(KnownDocument.Of(page.Document, pictures), f => pictures.GetValueOrDefault(f.AssetId), layout),
            layout,
            pictures
        );

    private static ImmutableArray<Place> PlacesOf(
        string pageId,
        LaidPage laid,
        PageLayout layout,
        IReadOnlyDictionary<string, PictureFacts> pictures
    ) =>
        [
            .. layout
                .Standing(laid)
                .Where(s => pictures.ContainsKey(s.Figure.AssetId))
                .Select(s => (s.Figure, Picture: pictures[s.Figure.AssetId], Stand: s))
                .Select(s => new Place(
                    pageId,
                    s.Figure.Id,
                    s.Picture.Id,
                    Placed.CutOf(s.Figure.Cut, s.Picture),
                    s.Stand.SlotOf(s.Picture),
                    s.Stand.On
                )),
        ];

    /// <summary>Decides everything about a page that its readers and its checks need to know.</summary>
    public static PagePlan Plan(ResolvedPage given, PlanFacts facts)
    {
        var asked = GalleryPages.First(given);
        var page = asked with
        {
            Document = FileFacts.In(KnownDocument.Of(asked.Document, facts.Pictures), facts.Addresses.FileById),
        };
        var layout = new PageLayout(facts.Style);
        var laid = new LaidPage(page.Document, facts.PictureOf, layout);
        var figures = FiguresOf(page, laid, layout, facts);
        return new(
            asked,
            page,
            facts,
            layout,
            new(figures, EmptyOf(laid, layout), GroundsOf(page.Document, figures, laid, layout, facts), SetsOf(laid)),
            LinksOf(page.Document, facts.Addresses),
            PageWeight.Of(page.Document, figures, facts)
        );
    }

    private static ImmutableDictionary<string, FigurePlan> FiguresOf(
        ResolvedPage page,
        LaidPage laid,
        PageLayout layout,
        PlanFacts facts
    )
    {
        var places = PlacesOf(page.Id, laid, layout, facts.Pictures);
        var slots = places
            .Concat(facts.Elsewhere.Where(e => e.PageId != page.Id))
            .ToLookup(p => (p.AssetId, p.Cut), p => p.Slot);
        var byBlock = places.ToLookup(p => p.BlockId);
        var loading = LoadingOrder.Of(laid, byBlock, facts);
        return page
            .Document.Figures.Where(f => !f.IsEmpty && facts.PictureOf(f) is not null)
            .ToImmutableDictionary(
                f => f.Id,
                f => FigurePlanner.Of(f, byBlock[f.Id], slots, loading[f.Id], layout, facts)
            );
    }

    private static ImmutableDictionary<string, EmptyPlace> EmptyOf(LaidPage laid, PageLayout layout) =>
        layout
            .Standing(laid)
            .Where(s => s.Figure is { IsEmpty: true, Size: not FigureSize.InSet })
            .Select(s => EmptyPlace.Of(s, layout))
            .ToImmutableDictionary(e => e.Block.Id);

    // A band without a ground has words on the page's paper, and a height of its own.
    private static ImmutableDictionary<string, BackdropPlan> GroundsOf(
        Document page,
        ImmutableDictionary<string, FigurePlan> figures,
        LaidPage laid,
        PageLayout layout,
        PlanFacts facts
    )
    {
        return page
            .Backdrops.Concat(page.Blocks.OfType<BandBlock>())
            .DistinctBy(b => b.Id)
            .Select(b => BackdropPlan.Of(b, PicturesOf(b), facts.Grids.GetValueOrDefault, laid, layout))
            .ToImmutableDictionary(b => b.Block.Id);

        ImmutableArray<FigurePlan> PicturesOf(BackdropBlock block) =>
            [
                .. block
                    .Followers.Select(f => f.Figure.Id)
                    .Prepend(block.FigureId)
                    .Select(figures.GetValueOrDefault)
                    .OfType<FigurePlan>(),
            ];
    }

    private static ImmutableDictionary<string, ArrangementPlan> SetsOf(LaidPage laid) =>
        ResolvedBlocks
            .ShownOn(laid.Page)
            .Select(laid.SetOf)
            .OfType<ArrangementPlan>()
            .ToImmutableDictionary(s => s.Block.Id);

    private static ImmutableDictionary<string, LinkReading> LinksOf(Document page, SiteAddresses addresses) =>
        page
            .Blocks.SelectMany(TextRuns.In)
            .Select(part => part.Run.Link)
            .OfType<string>()
            .Distinct()
            .ToImmutableDictionary(link => link, link => Here(LinkReader.Read(link, addresses), page));

    /// <summary>A place of this page has to be on it.</summary>
    private static LinkReading Here(LinkReading reading, Document page) =>
        reading.Link is not Link.Here here
        || here.Id is "content" or "news"
        || page.All.Any(block => block.Id == here.Id)
            ? reading
            : LinkReading.Refused(
                $"Nothing on this page is named “{here.Id}”: choose one of its headings, or another place."
            );
}
