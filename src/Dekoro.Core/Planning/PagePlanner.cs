using System.Collections.Immutable;
using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Core.Links;
using Dekoro.Core.Sites;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

/// <summary>document + style + facts → <see cref="PagePlan"/>. Decides once; every reader takes it from there.</summary>
public static class PagePlanner
{
    /// <summary>The widest file a click on a picture opens, px.</summary>
    public const int LargeFilePx = 2560;

    /// <summary>Where the page's pictures stand, before any ladder is chosen.</summary>
    public static ImmutableArray<Place> PlacesOf(PageSource page, PageLayout layout, IReadOnlyDictionary<string, PictureFacts> pictures) =>
    [
        .. layout.Standing(page.Document)
            .Where(s => pictures.ContainsKey(s.Figure.AssetId))
            .Select(s => new Place(page.Id, s.Figure.Id, s.Figure.AssetId, CutOf(s.Figure, pictures[s.Figure.AssetId]), s.Slot)),
    ];

    public static PagePlan Plan(PageSource page, PlanFacts facts)
    {
        var layout = new PageLayout(facts.Style);
        var places = PlacesOf(page, layout, facts.Pictures);
        var ladders = places.Concat(facts.Elsewhere.Where(e => e.PageId != page.Id))
            .ToLookup(p => (p.AssetId, p.Cut), p => p.Slot);
        var loading = LoadingOf(page, facts, layout);
        var notices = ImmutableArray.CreateBuilder<Notice>();
        var links = ReadLinks(page, facts.Addresses, notices);
        var figures = ImmutableDictionary.CreateBuilder<string, FigurePlan>();
        foreach (var figure in page.Document.Figures)
        {
            if (!facts.Pictures.TryGetValue(figure.AssetId, out var picture))
            {
                notices.Add(new(figure.Id, "The picture that stood here is no longer in the library: choose another, or take the place out.", true));
                continue;
            }
            var place = places.First(p => p.BlockId == figure.Id);
            var ladder = LadderOf(picture, place.Cut, ladders[(picture.Id, place.Cut)], facts.Style.Devices);
            figures.Add(figure.Id, FigureOf(figure, picture, place, ladder, loading[figure.Id], layout, facts, notices));
        }
        var planned = figures.ToImmutable();
        return new PagePlan(page, layout, facts.Addresses, planned, links, notices.ToImmutable(), WeightsOf(planned.Values));
    }

    /// <summary>What a figure shows of its picture: its shape, steered by the keep area, or the whole.</summary>
    public static Cut CutOf(FigureBlock figure, PictureFacts picture) => CutOf(figure.Shape, picture);

    /// <param name="shape">Null: as is.</param>
    public static Cut CutOf(AspectRatio? shape, PictureFacts picture) => shape is { } s
        ? Cut.To(s, picture.Size, picture.KeepOrMiddle)
        : Cut.Whole(picture.Size);

    /// <summary>What a cut takes from the keep area; nothing where the picture has no keep area or stands as is.</summary>
    public static KeepLoss LossOf(AspectRatio? shape, PictureFacts picture, Cut cut) =>
        shape is null || picture.Keep is not { } keep ? default : cut.LossFrom(keep, picture.Size);

    /// <summary>How a cut of a picture fits a slot on each class of screen; a drawing is sharp at any size.</summary>
    public static PerClass<Fit> FitsOf(PictureFacts picture, Cut cut, SlotWidth slot, IReadOnlyList<int> ladderPx, SiteStyle style)
    {
        var bytes = BytesOf(picture, cut);
        var fits = new PerClass<int>().Select((c, _) =>
            Fit.Of(c, slot, cut, picture.Size, picture.Sharpness, ladderPx, bytes, style.Devices, style.Classes));
        return picture.IsVector ? fits.Select((_, fit) => fit with { Word = FitWord.Sharp, Reason = FitReason.None }) : fits;
    }

    /// <summary>The widths of a cut that serve all these slots.</summary>
    public static Ladder LadderOf(PictureFacts picture, Cut cut, IEnumerable<SlotWidth> slots, DeviceProfile devices) =>
        Ladder.Choose([.. slots.Select(s => Ladder.DemandsOf(s, devices, cut.Width))], BytesOf(picture, cut));

    /// <summary>Expected bytes of a cut of a picture, by width.</summary>
    public static BytesModel BytesOf(PictureFacts picture, Cut cut) =>
        picture.Bytes.ForCut((double)cut.Height / cut.Width, (double)picture.Size.Height / picture.Size.Width);

    private static FigurePlan FigureOf(
        FigureBlock figure, PictureFacts picture, Place place, Ladder ladder, Loading loading, PageLayout layout, PlanFacts facts,
        ImmutableArray<Notice>.Builder notices)
    {
        var cut = place.Cut;
        var fits = FitsOf(picture, cut, place.Slot, ladder.WidthsPx, facts.Style);
        var loss = LossOf(figure.Shape, picture, cut);
        var alt = figure.Alt.Decorative ? "" : figure.Alt.Own ?? picture.Words.Alt;
        if (!figure.Alt.Decorative && alt.Length == 0)
            notices.Add(new(figure.Id, "This picture has no alt text: say in a sentence what it shows, or mark it as decorative."));
        var caption = figure.Caption.Source switch
        {
            CaptionSource.Title => picture.Words.Title,
            CaptionSource.Caption => picture.Words.Caption,
            CaptionSource.Description => picture.Words.Description,
            CaptionSource.Own => figure.Caption.Own,
            _ => "",
        };
        return new FigurePlan(figure, picture, cut, loss, place.Slot, layout.BesideOf(figure), ladder, FormatsOf(picture, cut),
            loading, fits, alt, caption, LinkOf(figure, facts.Addresses, notices), figure.Link.Kind == FigureLinkKind.LargeFile ? LargeFileOf(picture) : null);
    }

    private static ImmutableArray<OutputFormat> FormatsOf(PictureFacts picture, Cut cut) => picture switch
    {
        { IsVector: true } when cut.IsWholeOf(picture.Size) => [OutputFormat.Svg],
        { IsAnimated: true } => [OutputFormat.WebP, OutputFormat.Gif],
        { HasAlpha: true } => [OutputFormat.Avif, OutputFormat.WebP, OutputFormat.Png],
        _ => [OutputFormat.Avif, OutputFormat.WebP, OutputFormat.Jpeg],
    };

    /// <summary>A picture whole, for a larger view of it or an address of its own.</summary>
    public static PlannedFile LargeFileOf(PictureFacts picture)
    {
        var whole = Cut.Whole(picture.Size);
        var format = FormatsOf(picture, whole)[^1];
        return new(picture.Id, whole, format == OutputFormat.Svg ? 0 : Math.Min(LargeFilePx, picture.Size.Width), format);
    }

    private static Link? LinkOf(FigureBlock figure, SiteAddresses addresses, ImmutableArray<Notice>.Builder notices)
    {
        if (TextRuns.LinkOf(figure) is not { } written) return null;
        var reading = LinkReader.Read(written, addresses);
        if (reading.Error is not null) notices.Add(new(figure.Id, reading.Error));
        return reading.Link;
    }

    private static ImmutableDictionary<string, LinkReading> ReadLinks(PageSource page, SiteAddresses addresses, ImmutableArray<Notice>.Builder notices)
    {
        var links = ImmutableDictionary.CreateBuilder<string, LinkReading>();
        foreach (var (block, run) in page.Document.Blocks.SelectMany(TextRuns.In))
        {
            if (run.Link is null || links.ContainsKey(run.Link)) continue;
            var reading = LinkReader.Read(run.Link, addresses);
            links.Add(run.Link, reading);
            if (reading.Error is not null) notices.Add(new(block.Id, $"The link on “{run.Text.Trim()}” leads nowhere. {reading.Error}"));
        }
        return links.ToImmutable();
    }

    /// <summary>
    /// What begins in a class's first screen is fetched at once; of those, the largest on the class with the most visits
    /// goes first.
    /// </summary>
    private static Dictionary<string, Loading> LoadingOf(PageSource page, PlanFacts facts, PageLayout layout)
    {
        var style = facts.Style;
        var result = page.Document.Figures.ToDictionary(f => f.Id, _ => Loading.Later);
        AspectRatio? ShapeOf(FigureBlock f) => facts.Pictures.TryGetValue(f.AssetId, out var p) ? CutOf(f, p).Shape : null;
        var byVisits = WidthClasses.All.OrderByDescending(c => style.Devices.In(c, style.Classes).Sum(d => d.Share));
        var slots = layout.Standing(page.Document).ToDictionary(s => s.Figure.Id, s => s.Slot);
        string? first = null;
        foreach (var c in byVisits)
        {
            var tops = PageFlow.Tops(page.Document, ShapeOf, layout, c);
            var inView = page.Document.Figures.Where(f => tops[f.Id] < style.FirstScreenPx[c]).ToList();
            foreach (var f in inView) result[f.Id] = Loading.AtOnce;
            first ??= inView.MaxBy(f => AreaAt(f, c))?.Id;
        }
        if (first is not null) result[first] = Loading.First;
        return result;

        double AreaAt(FigureBlock f, WidthClass c)
        {
            var w = slots[f.Id].At(style.Classes.ReferencePx[c]);
            return w * w / (ShapeOf(f)?.Value ?? 1.5);
        }
    }

    private static PerClass<Weight> WeightsOf(IEnumerable<FigurePlan> figures)
    {
        var list = figures.ToList();
        return new PerClass<int>().Select((c, _) => new Weight(
            list.Where(f => f.Loading != Loading.Later).Sum(f => BytesIn(f, c)),
            list.Where(f => f.Loading == Loading.Later).Sum(f => BytesIn(f, c))));

        static double BytesIn(FigurePlan f, WidthClass c) => f.IsUnchanged ? f.Picture.FileBytes : f.Fits[c].ExpectedBytes;
    }
}
