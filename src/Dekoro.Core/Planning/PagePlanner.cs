using System.Collections.Immutable;
using System.Globalization;
using Dekoro.Core.Arrangements;
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
    /// <summary>How wide a picture is at an address of its own, px.</summary>
    public static int LargeFilePx => LargerView.WidthPxOf(LargerSize.Full);

    /// <summary>Where the page's pictures stand, before any ladder is chosen.</summary>
    public static ImmutableArray<Place> PlacesOf(PageSource page, PageLayout layout, IReadOnlyDictionary<string, PictureFacts> pictures) =>
        PlacesOf(page.Id, new LaidPage(WithKnown(page.Document, pictures), f => pictures.GetValueOrDefault(f.AssetId), layout), layout, pictures);

    private static ImmutableArray<Place> PlacesOf(string pageId, LaidPage laid, PageLayout layout, IReadOnlyDictionary<string, PictureFacts> pictures) =>
    [
        .. layout.Standing(laid)
            .Where(s => pictures.ContainsKey(s.Figure.AssetId))
            .Select(s => (s.Figure, Picture: pictures[s.Figure.AssetId], Stand: s))
            .Select(s => new Place(pageId, s.Figure.Id, s.Picture.Id, CutOf(s.Figure.Cut, s.Picture), s.Stand.SlotOf(s.Picture), s.Stand.On)),
    ];

    /// <summary>Where another picture that was chosen for a class is gone, the usual one stands.</summary>
    private static Document WithKnown(Document page, IReadOnlyDictionary<string, PictureFacts> pictures)
    {
        page = page.WithArrangements((_, there) => there is { } set ? set with { Items = [.. set.Items.Where(i => i.IsWordsAlone || !IsGone(i.AssetId)).Select(i => i.StepAssetId is { } step && IsGone(step) ? i with { StepAssetId = null } : i)] } : null);
        return page.Figures.Any(f => f.Assets.Skip(1).Any(IsGone))
            ? page.WithFigures(f => f with { Exceptions = f.Exceptions.Select((_, own) => own?.AssetId is { } id && IsGone(id) ? own with { AssetId = null } : own) })
            : page;

        bool IsGone(string id) => !pictures.ContainsKey(id);
    }

    public static PagePlan Plan(PageSource given, PlanFacts facts)
    {
        var layout = new PageLayout(facts.Style);
        given = Sheets.First(given);
        var page = given with { Document = TextRuns.WithFileFacts(WithKnown(given.Document, facts.Pictures), facts.Addresses.FileById) };
        var laid = new LaidPage(page.Document, facts.PictureOf, layout);
        var places = PlacesOf(page.Id, laid, layout, facts.Pictures);
        var ladders = places.Concat(facts.Elsewhere.Where(e => e.PageId != page.Id))
            .ToLookup(p => (p.AssetId, p.Cut), p => p.Slot);
        var byBlock = places.ToLookup(p => p.BlockId);
        var loading = LoadingOf(laid, byBlock, facts);
        var notices = ImmutableArray.CreateBuilder<Notice>();
        foreach (var figure in given.Document.Figures.Where(f => f.Assets.Skip(1).Any(id => !facts.Pictures.ContainsKey(id))))
            notices.Add(new(figure.Id, "The other picture that was chosen for one width is no longer in the library: the usual one stands there until you choose again."));
        notices.AddRange(given.Document.Arrangements.Where(a => a.Figures.Concat(a.StepFigures).Any(f => !f.IsEmpty && !facts.Pictures.ContainsKey(f.AssetId)))
            .Select(a => new Notice(a.Id, $"A picture of “{a.Arrangement!.Name}” is no longer in the library: the others stand without it.")));
        foreach (var gone in page.Document.Arrangements.Where(a => a.Arrangement is null)) notices.Add(new(gone.Id, "The arrangement that stood here is no more: choose another, or take the place out.", true));
        var sets = page.Document.Arrangements.Select(laid.SetOf).OfType<SetPlan>().ToImmutableDictionary(s => s.Block.Id);
        notices.AddRange(sets.Values.Where(s => WidthClasses.All.Any(c => !s.Layouts[c].IsLevel)).Select(s => new Notice(s.Block.Id, "These columns cannot be made to end level: with another number of columns, or one picture more or less, they may.")));
        notices.AddRange(sets.Values.Where(s => s.FramedTooMuchOn.Any()).Select(s => new Notice(s.Block.Id, $"On {WidthClasses.InWords(s.FramedTooMuchOn)} border and padding take more than half of the smallest picture: make them thinner, or put fewer side by side.")));
        var links = ReadLinks(page, facts.Addresses, notices);
        notices.AddRange(TextRuns.FilesPlayedIn(page.Document).Where(played => !facts.Addresses.FileById.ContainsKey(played.FileId)).DistinctBy(played => played.BlockId)
            .Select(played => new Notice(played.BlockId, "A file of the video that stood here is no longer in the library: choose another, or take it out.", true)));
        notices.AddRange(page.Document.Buttons.Select(NoticeOf).OfType<Notice>());
        var figures = ImmutableDictionary.CreateBuilder<string, FigurePlan>();
        foreach (var figure in page.Document.Figures.Where(f => !f.IsEmpty))
        {
            if (!facts.Pictures.TryGetValue(figure.AssetId, out var picture))
            {
                notices.Add(new(figure.Id, "The picture that stood here is no longer in the library: choose another, or take the place out.", true));
                continue;
            }
            ImmutableArray<PlannedCut> cuts = [.. byBlock[figure.Id].Select(place => PlannedOf(figure, place, ladders[(place.AssetId, place.Cut)], facts))];
            figures.Add(figure.Id, FigureOf(figure, picture, cuts, loading[figure.Id], layout, facts, notices));
        }
        var planned = figures.ToImmutable();
        notices.AddRange(sets.Values.SelectMany(s => ControlsCheck.FindingsOf(s, planned, facts.Grids.GetValueOrDefault).Select(found => new Notice(s.Block.Id, found))));
        var empty = layout.Standing(laid).Where(s => s.Figure is { IsEmpty: true, Size: not FigureSize.InSet }).Select(s => EmptyPlace.Of(s, layout)).ToImmutableDictionary(e => e.Block.Id);
        notices.AddRange(empty.Values.Select(e => new Notice(e.Block.Id, string.Create(CultureInfo.InvariantCulture, $"This place waits for a picture of {e.WantsWidthPx} × {e.WantsHeightPx} px or more; visitors do not see it."))));
        // A band without a ground has words on the page's paper, and a height of its own.
        var grounds = page.Document.Grounded.Concat(page.Document.Blocks.OfType<BandBlock>()).DistinctBy(b => b.Id)
            .Select(b => GroundPlan.Of(b, [.. b.Followers.Select(f => f.Figure.Id).Prepend(b.FigureId).Select(planned.GetValueOrDefault).OfType<FigurePlan>()], facts.Grids.GetValueOrDefault, laid, layout)).ToImmutableDictionary(b => b.Block.Id);
        notices.AddRange(page.Document.Grounded.Where(b => b.Ground is { SetId: not null, Set: null }).Select(b => new Notice(b.Id, "The arrangement whose pictures followed behind this band is no more: choose another, or none.")));
        notices.AddRange(grounds.Values.Select(NoticeOf).OfType<Notice>());
        return new PagePlan(page, layout, facts.Addresses, planned, empty, grounds, sets, links, notices.ToImmutable(), WeightsOf(planned.Values, FilmsOf(page.Document, planned, facts)));
    }

    /// <summary>What a place shows of a picture: what was drawn by hand, or its shape, steered by the keep area, or the whole.</summary>
    public static Cut CutOf(CutChoice choice, PictureFacts picture) => (choice.DrawnOn(picture.Id), choice.Shape) switch
    {
        ({ } drawn, _) => Cut.Drawn(drawn, picture.Size),
        (_, { } shape) => Cut.To(shape, picture.Size, picture.KeepOrMiddle),
        _ => Cut.Whole(picture.Size),
    };

    /// <summary>What a cut takes from the keep area; nothing where the picture has no keep area or stands as is.</summary>
    public static KeepLoss LossOf(CutChoice choice, PictureFacts picture, Cut cut) =>
        choice.IsAsIs(picture.Id) || picture.Keep is not { } keep ? default : cut.LossFrom(keep, picture.Size);

    /// <summary>How a cut of a picture fits a slot on each class of screen, null where it is not shown; a drawing is sharp at any size.</summary>
    public static PerClass<Fit?> FitsOf(PictureFacts picture, Cut cut, SlotWidth slot, IReadOnlyList<int> ladderPx, SiteStyle style)
    {
        var bytes = BytesOf(picture, cut);
        return new PerClass<int>().Select((c, _) =>
        {
            if (slot.At(style.Classes.ReferencePx[c]) <= 0) return null;
            var fit = Fit.Of(c, slot, cut, picture.Size, picture.Sharpness, ladderPx, bytes, style.Devices, style.Classes);
            return picture.IsVector ? fit with { Word = FitWord.Sharp, Reason = FitReason.None } : fit;
        });
    }

    /// <summary>The widths of a cut that serve all these slots.</summary>
    public static Ladder LadderOf(PictureFacts picture, Cut cut, IEnumerable<SlotWidth> slots, DeviceProfile devices) =>
        Ladder.Choose([.. slots.Select(s => Ladder.DemandsOf(s, devices, cut.Width))], BytesOf(picture, cut));

    /// <summary>Expected bytes of a cut of a picture, by width.</summary>
    public static BytesModel BytesOf(PictureFacts picture, Cut cut) =>
        picture.Bytes.ForCut((double)cut.Height / cut.Width, (double)picture.Size.Height / picture.Size.Width);

    private static PlannedCut PlannedOf(FigureBlock figure, Place place, IEnumerable<SlotWidth> slots, PlanFacts facts)
    {
        var picture = facts.Pictures[place.AssetId];
        var formats = FormatsOf(picture, place.Cut);
        // A pattern is named in a style, which takes one file: that which every browser reads.
        if (figure.Size is FigureSize.Behind { Repeats: true }) formats = [formats[^1]];
        var ladder = LadderOf(picture, place.Cut, slots, facts.Style.Devices);
        var choice = figure.On(WidthClasses.All.First(c => place.On[c])).Cut;
        return new(place.On, picture, place.Cut, LossOf(choice, picture, place.Cut), place.Slot, ladder, formats);
    }

    private static FigurePlan FigureOf(
        FigureBlock figure, PictureFacts picture, ImmutableArray<PlannedCut> cuts, Loading loading, PageLayout layout, PlanFacts facts,
        ImmutableArray<Notice>.Builder notices)
    {
        var fits = cuts.Select(cut => FitsOf(cut.Picture, cut.Cut, cut.Slot, cut.Ladder.WidthsPx, facts.Style)).ToList();
        var alt = AltOf(figure.Alt, picture);
        if (!figure.Alt.Decorative && alt.Length == 0)
            notices.Add(new(figure.Id, "This picture has no alt text: say in a sentence what it shows, or mark it as decorative."));
        var fitOf = new PerClass<int>().Select((c, _) => fits.Select(f => f[c]).FirstOrDefault(fit => fit is not null));
        var link = LinkOf(figure, facts.Addresses, notices);
        var instead = InsteadOf(figure, link, facts.Addresses, notices);
        var opensFile = figure is { Link.Kind: FigureLinkKind.LargeFile, Video: null } && instead is null && link is null;
        return new FigurePlan(figure, cuts, layout.BesideOf(figure), loading, fitOf, alt, CaptionOf(figure, picture), link, opensFile ? LargeFileOf(picture, figure.Larger) : null) { Instead = instead };
    }

    private static LargerContent? InsteadOf(FigureBlock figure, Link? link, SiteAddresses addresses, ImmutableArray<Notice>.Builder notices)
    {
        switch (figure.Instead)
        {
            case LargerContent.Film film: return addresses.FileById.ContainsKey(film.Video.FileId) ? film : null;
            case LargerContent.Page page:
                if (link is Link.Page || (link is Link.Web web && web.Address.StartsWith("https:", StringComparison.Ordinal))) return page;
                if (link is not null) notices.Add(new(figure.Id, "Only pages of this site and addresses that begin with https:// are shown in the larger view: this link opens by itself."));
                return null;
            default: return figure.Instead;
        }
    }

    /// <summary>The words read out in a picture's stead; empty for a decorative one.</summary>
    public static string AltOf(AltChoice alt, PictureFacts picture) => alt.Decorative ? "" : alt.Own ?? picture.Words.Alt;

    /// <summary>The words under a figure; empty for none.</summary>
    public static string CaptionOf(FigureBlock figure, PictureFacts picture) => CaptionOf(figure.Caption, picture);

    public static string CaptionOf(CaptionChoice caption, PictureFacts picture) => caption.Source switch
    {
        CaptionSource.Title => picture.Words.Title,
        CaptionSource.Caption => picture.Words.Caption,
        CaptionSource.Description => picture.Words.Description,
        CaptionSource.Own => caption.Own,
        _ => "",
    };

    private static Notice? NoticeOf(ButtonBlock button) => button switch
    {
        { Link: "" } => new(button.Id, $"The button “{button.Text}” leads nowhere: say where it leads.", true),
        { Text: "" } => new(button.Id, "A button has no words: say what it does.", true),
        _ => null,
    };

    private static Notice? NoticeOf(GroundPlan ground)
    {
        var hard = ground.HardToRead.ToList();
        if (hard.Count == 0) return null;
        var (_, worst) = hard.MinBy(h => h.Contrast.Ratio / h.Contrast.Needed);
        var on = WidthClasses.InWords(hard.Select(h => h.Class));
        var mend = ground.Mend switch
        {
            { } m when m.Words != ground.Block.Ground.Words => $"{m.Words.ToString().ToLowerInvariant()} words would be readable there",
            { } m when m.Tint != ground.Block.Ground.Tint => "a tint of another colour does it",
            { } => "set the least tint",
            null => "choose another picture or colour behind them",
        };
        var piece = ground.Block switch { BandBlock => "band", SlideBlock => "slide", _ => "cell" };
        return new(ground.Block.FigureId, string.Create(CultureInfo.InvariantCulture, $"The words of this {piece} are hard to read on {on}: {worst.Ratio:0.0} : 1, where they need {worst.Needed:0.#} : 1; {mend}."));
    }

    private static ImmutableArray<OutputFormat> FormatsOf(PictureFacts picture, Cut cut) => picture switch
    {
        { IsVector: true } when cut.IsWholeOf(picture.Size) => [OutputFormat.Svg],
        { IsAnimated: true } => [OutputFormat.WebP, OutputFormat.Gif],
        { HasAlpha: true } => [OutputFormat.Avif, OutputFormat.WebP, OutputFormat.Png],
        _ => [OutputFormat.Avif, OutputFormat.WebP, OutputFormat.Jpeg],
    };

    /// <summary>A picture whole, for a larger view of it or an address of its own.</summary>
    public static PlannedFile LargeFileOf(PictureFacts picture, LargerSize size = LargerSize.Full)
    {
        var whole = Cut.Whole(picture.Size);
        var format = FormatsOf(picture, whole)[^1];
        return new(picture.Id, whole, format == OutputFormat.Svg ? 0 : Math.Min(LargerView.WidthPxOf(size), picture.Size.Width), format);
    }

    /// <summary>About how many bytes the larger view of a picture fetches.</summary>
    public static double LargeBytesOf(PictureFacts picture, LargerSize size) => LargeFileOf(picture, size) is { IsUnchanged: false } file ? picture.Bytes.At(file.WidthPx) : picture.FileBytes;

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
            if (reading.Error is not null) notices.Add(new(block.Id, run.Text.Trim().Length == 0 ? reading.Error : $"The link on “{run.Text.Trim()}” leads nowhere. {reading.Error}"));
        }
        return links.ToImmutable();
    }

    /// <summary>
    /// What begins in a class's first screen is fetched at once; of those, the largest on the class with the most visits
    /// goes first.
    /// </summary>
    private static Dictionary<string, Loading> LoadingOf(LaidPage laid, ILookup<string, Place> places, PlanFacts facts)
    {
        var (page, style) = (laid.Page, facts.Style);
        var result = page.Figures.ToDictionary(f => f.Id, _ => Loading.Later);
        var byVisits = WidthClasses.All.OrderByDescending(c => style.Devices.In(c, style.Classes).Sum(d => d.Share));
        string? first = null;
        foreach (var c in byVisits)
        {
            var seen = laid.InFirstScreen(c).SelectMany(l => Document.InLinesOf(l.Block).Select(f => f.Id).Prepend(l.Block.Id)).ToHashSet();
            var inView = page.Figures.Where(f => PlaceOn(f, c) is not null && seen.Contains(f.Id)).ToList();
            foreach (var f in inView) result[f.Id] = Loading.AtOnce;
            first ??= inView.MaxBy(f => AreaAt(f, c))?.Id;
        }
        if (first is not null) result[first] = Loading.First;
        return result;

        double AreaAt(FigureBlock f, WidthClass c)
        {
            var place = PlaceOn(f, c)!;
            var w = place.Slot.At(style.Classes.ReferencePx[c]);
            return w * w / place.Cut.Shape.Value;
        }

        Place? PlaceOn(FigureBlock f, WidthClass c) => places[f.Id].FirstOrDefault(p => p.On[c]);
    }

    /// <summary>Films that play without being asked to: where each stands, when it is fetched, and its bytes.</summary>
    private static IEnumerable<(FigurePlan Figure, long Bytes)> FilmsOf(Document page, ImmutableDictionary<string, FigurePlan> planned, PlanFacts facts) =>
        page.Figures.Where(f => f.Video is VideoChoice.Own { StartsItself: true }).Select(f => (f.Id, ((VideoChoice.Own)f.Video!).FileId))
            .Concat(page.Grounded.Where(b => b.Ground.VideoId is not null).Select(b => (b.Id, b.Ground.VideoId!)))
            .Where(film => planned.ContainsKey(film.Item1) && facts.Addresses.FileById.ContainsKey(film.Item2))
            .Select(film => (planned[film.Item1], facts.Addresses.FileById[film.Item2].Bytes));

    private static PerClass<Weight> WeightsOf(IEnumerable<FigurePlan> figures, IEnumerable<(FigurePlan Figure, long Bytes)> films)
    {
        var list = figures.Select(f => (f.Loading, Bytes: (Func<WidthClass, double>)f.BytesOn))
            .Concat(films.Select(film => (film.Figure.Loading, Bytes: (Func<WidthClass, double>)(c => film.Figure.On(c) is null ? 0 : film.Bytes)))).ToList();
        return new PerClass<int>().Select((c, _) => new Weight(
            list.Where(f => f.Loading != Loading.Later).Sum(f => f.Bytes(c)),
            list.Where(f => f.Loading == Loading.Later).Sum(f => f.Bytes(c))));
    }
}
