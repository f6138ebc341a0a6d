using System.Collections.Immutable;
using Dekoro.Core.Dates;
using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Widths;
using NodaTime;

namespace Dekoro.Core.Arrangements;

/// <summary>A set of pictures with its running order, used on any number of pages and changed once for all of them.</summary>
/// <param name="Follows">A search line: what the library holds of it stands here, and what comes later too; null where the pictures are chosen.</param>
public sealed record Arrangement(string Id, string Name, Gallery Gallery, ImmutableArray<ArrangementItem> Items, string? Follows = null)
{
    public const int MostItems = 2000;

    /// <summary>What is set for the other kinds stays, so that a change of kind loses nothing.</summary>
    public ArrangementKind Kind { get; init; }

    public Slider Slider { get; init; } = Slider.Usual;

    /// <summary>The one shape of all pictures; null leaves each as it is.</summary>
    public AspectRatio? ShapeOfAll => Kind != ArrangementKind.Gallery ? Slider.Shape : Gallery.Whole ? null : Gallery.ShapeOfCells;

    /// <summary>Whether it has a page of its own on the public site, for sites elsewhere to show it in a frame.</summary>
    public bool IsShownElsewhere { get; init; }

    public LargerView Larger { get; init; } = LargerView.Usual;

    /// <summary>What stands round each of its pictures, within its box.</summary>
    public LookChoice Look { get; init; } = LookChoice.None;

    /// <summary>How it is shown a part at a time; null shows all of it at once.</summary>
    public Paging? Paging => Kind == ArrangementKind.Gallery ? Gallery.Paging : null;

    public CaptionSource CaptionsFrom => Kind == ArrangementKind.Gallery ? Gallery.CaptionsFrom : Slider.CaptionsFrom;
    public CaptionPlace Captions => Kind == ArrangementKind.Gallery ? Gallery.Captions : Slider.Captions;
    public bool OpensLarger => Kind == ArrangementKind.Gallery ? Gallery.OpensLarger : Slider.OpensLarger;

    /// <summary>Where a picture's words come from: its own choice, or that of the whole set.</summary>
    public CaptionChoice CaptionOf(ArrangementItem item) => item.Caption ?? new(CaptionsFrom);

    /// <summary>Where a press on a picture leads: by its own choice, or by that of the whole set.</summary>
    public LinkChoice LinkOf(ArrangementItem item) => item switch
    {
        { Instead.InPlace: null } => new(FigureLinkKind.LargeFile),
        { Instead.StaysInPlace: true, Link.Kind: FigureLinkKind.None or FigureLinkKind.LargeFile } => new(FigureLinkKind.None),
        { Link.Kind: FigureLinkKind.None } when OpensLarger => new(FigureLinkKind.LargeFile),
        _ => item.Link,
    };

    /// <summary>The order in which its items stand when they are sorted; items of which nothing is known come first.</summary>
    public ImmutableArray<string> SortedBy<T>(Func<ArrangementItem, T> of, IComparer<T>? comparer = null) => [.. Items.OrderBy(of, comparer).Select(i => i.Id)];

    /// <summary>How many of a slider or carousel are in view at once.</summary>
    public PerClass<int> InView => Kind == ArrangementKind.Carousel ? Slider.InView : new(1, 1, 1);

    /// <summary>Where a slider or carousel with so many pictures comes to stand. In one that goes on from its end the first come after the last.</summary>
    public ImmutableArray<int> StopsOn(WidthClass c, int count) => Stops.Of(count, InView[c], AdvanceBy[c], Slider.Loops);

    /// <summary>How long it stands at each stop: as long as that of the slides in view which stays longest, ms.</summary>
    public ImmutableArray<int> StaysOn(WidthClass c) => LongestOn(c, StayOf);

    /// <summary>The largest of what is in view at each stop.</summary>
    internal ImmutableArray<int> LongestOn(WidthClass c, Func<ArrangementItem, int> msOf)
    {
        var each = Shown.Select(msOf).ToList();
        return [.. StopsOn(c, each.Count).Select(first => Enumerable.Range(first, Math.Min(InView[c], each.Count)).Max(i => each[i % each.Count]))];
    }

    public int StayOf(ArrangementItem item) => item.StayMs ?? Slider.StayMs;

    public PerClass<int> AdvanceBy => Kind == ArrangementKind.Carousel ? Slider.AdvanceBy : new(1, 1, 1);

    /// <summary>What visitors see of it, in order.</summary>
    public IEnumerable<ArrangementItem> Shown => Items.Where(i => i.IsOn && i.IsDue && (!i.IsWordsAlone || (Kind != ArrangementKind.Gallery && i.Words is not null)));

    /// <summary>As visitors see it on a day of the site's calendar.</summary>
    public Arrangement On(LocalDate day) => Items.All(i => i.Dates is null) ? this : this with { Items = [.. Items.Select(i => i with { IsDue = i.Dates?.Includes(day) ?? true })] };

    /// <summary>Days on which what visitors see of it becomes another by itself, in their order.</summary>
    public IEnumerable<LocalDate> ChangesWithin(LocalDate after, LocalDate last) => Items.Where(i => i.IsOn).SelectMany(i => i.Dates?.ChangesWithin(after, last) ?? []).Distinct().Order();

    /// <summary>The same with just these pictures, in this order; what was said of one of them stays with it.</summary>
    public Arrangement Holding(IEnumerable<string> assetIds)
    {
        var said = Items.DistinctBy(i => i.AssetId).ToDictionary(i => i.AssetId);
        return this with { Items = [.. assetIds.Distinct().Take(MostItems).Select(id => said.GetValueOrDefault(id) ?? new("f" + id, id, true, new(false, null), null, new(FigureLinkKind.None)))] };
    }

    /// <summary>
    /// Pictures that stand out among the others: in cells by their shape, evenly spaced by how wide or high they are, further from the middle one
    /// than <see cref="Odd"/> times. One shape for all cells makes them alike.
    /// </summary>
    /// <param name="sizeOf">Null where nothing is known of a picture.</param>
    /// <param name="mostPx">Wider than this none stands, CSS px.</param>
    /// <returns>None where all have one shape anyway, and where shapes are what the layout is made of.</returns>
    public ImmutableArray<string> Uneven(Func<string, PixelSize?> sizeOf, double mostPx)
    {
        Func<PixelSize, double>[] measures = (Kind, Gallery) switch
        {
            (ArrangementKind.Gallery, { Kind: GalleryKind.Grid, Shape: null }) => [size => size.Shape.Value],
            (ArrangementKind.Gallery, { Kind: GalleryKind.Even }) => [WidePx, size => WidePx(size) / size.Shape.Value],
            _ => [],
        };
        var pictures = Shown.Select(i => (i.Id, Size: sizeOf(i.AssetId))).Where(p => p.Size is not null).Select(p => (p.Id, Size: p.Size!.Value)).ToList();
        if (pictures.Count < LeastToCompare) return [];
        var odd = measures.SelectMany(OddBy).ToHashSet();
        return [.. pictures.Select(p => p.Id).Where(odd.Contains)];

        double WidePx(PixelSize size) => Math.Min(size.Width, mostPx);

        IEnumerable<string> OddBy(Func<PixelSize, double> measure)
        {
            var all = pictures.Select(p => (p.Id, Log: Math.Log(measure(p.Size)))).ToList();
            var middle = all.Select(p => p.Log).Order().ElementAt(all.Count / 2);
            return all.Where(p => Math.Abs(p.Log - middle) > Math.Log(Odd)).Select(p => p.Id);
        }
    }

    private const double Odd = 1.6;
    private const int LeastToCompare = 3;
}

/// <param name="Id">Within the arrangement; stays with it for good.</param>
/// <param name="IsOn">False keeps it, with all its words, out of sight.</param>
/// <param name="Caption">Null takes the source that the whole set takes.</param>
public sealed record ArrangementItem(string Id, string AssetId, bool IsOn, AltChoice Alt, CaptionChoice? Caption, LinkChoice Link)
{
    /// <summary>How long it stands as a slide, ms; null as long as the others.</summary>
    public int? StayMs { get; init; }

    /// <summary>A picture of its own that stands small as its step; null for the slide's.</summary>
    public string? StepAssetId { get; init; }

    /// <summary>When it is shown; null for always.</summary>
    public RunDates? Dates { get; init; }

    /// <summary>Whether it is shown on the day that is looked at: not kept, but worked out from <see cref="Dates"/>.</summary>
    public bool IsDue { get; init; } = true;

    /// <summary>A slide without a picture, on the colour that is the tint of others; a gallery shows none of it.</summary>
    public bool IsWordsAlone => AssetId.Length == 0;

    /// <summary>What is shown in the picture's stead once a visitor asks; null for the picture itself.</summary>
    public LargerContent? Instead { get; init; }

    /// <summary>Words over it as a slide; null for none, and then its caption stands there.</summary>
    public SlideWords? Words { get; init; }
}

/// <summary>What stands over a slide; at least one of them is not empty.</summary>
/// <param name="Link">Where the button leads, as it is written in the document.</param>
public sealed record SlideWords(string Title, string Text, string Button, string Link)
{
    /// <summary>All that is there to read.</summary>
    public string Read => string.Join(' ', new[] { Title, Text, Button }.Where(words => words.Length > 0));

    /// <returns>Null where nothing is said.</returns>
    public static SlideWords? Of(string? title, string? text, string? button, string? link) =>
        new SlideWords(title?.Trim() ?? "", text?.Trim() ?? "", button?.Trim() ?? "", link?.Trim() ?? "") is { Read.Length: > 0 } words ? words : null;

    /// <summary>As pieces of a page.</summary>
    public ImmutableArray<Block> BlocksFor(string id, int level) =>
    [
        .. Title.Length > 0 ? [new HeadingBlock(id + "-title", level, [new TextRun(Title)])] : Enumerable.Empty<Block>(),
        .. Text.Length > 0 ? [new ParagraphBlock(id + "-text", [new TextRun(Text)])] : Enumerable.Empty<Block>(),
        .. Button.Length > 0 ? [new ButtonBlock(id + "-button", Button, Link, ButtonKind.Filled)] : Enumerable.Empty<Block>(),
    ];
}

/// <summary>A gallery shown so many pictures at a time, each part at an address of its own, with links between them.</summary>
public sealed record Paging(int PerSheet, PageLinksAt Links, PageLinksLook Look)
{
    public const int Most = 200;
}

/// <summary>Where the links to a gallery's other parts stand.</summary>
public enum PageLinksAt { Below, Above, Both }

/// <summary>Links to a gallery's other parts as words alone, or with a line round each.</summary>
public enum PageLinksLook { Words, Boxes }

/// <summary>How wide the file is that the larger view opens.</summary>
public enum LargerSize { Lean, Balanced, Full, Original }

/// <summary>What the larger view of a set shows and offers.</summary>
/// <param name="Size">Of the file it opens; the original is a copy without what the camera wrote into it.</param>
/// <param name="Plays">Whether it can go from one to the next by itself, once a visitor asks.</param>
public sealed record LargerView(LargerSize Size, bool Credit, bool Zooms, bool Plays, bool Shares, bool Downloads)
{
    public static LargerView Usual { get; } = new(LargerSize.Balanced, true, true, false, false, false);

    /// <returns>px; the picture's own where it is narrower.</returns>
    public static int WidthPxOf(LargerSize size) => size switch { LargerSize.Lean => 1280, LargerSize.Balanced => 1920, LargerSize.Full => 2560, _ => int.MaxValue };
}

/// <summary>How the boxes of a gallery stand: in cells of one shape, in rows of one height, in columns that end level, or at their own size.</summary>
public enum GalleryKind { Grid, Rows, Level, Even }

/// <summary>Where the words of a picture stand; over it always, or while it is pointed at or has the focus.</summary>
public enum CaptionPlace { None, Below, Over, Pointing }

/// <summary>How a set is laid out.</summary>
/// <param name="Columns">1 to 6 for each class of screen, of a grid and of level columns.</param>
/// <param name="TargetHeightPx">Of rows, CSS px.</param>
/// <param name="Shape">Of the cells of a grid; null leaves each as it is.</param>
/// <param name="Whole">In cells of one shape: true shows each picture whole, false fills the cell with a cut.</param>
/// <param name="Align">Where a picture stands that does not fill its cell.</param>
/// <param name="CaptionLines">Room kept below for so many lines, so that short and long captions end alike.</param>
/// <param name="OpensLarger">A press on a picture without a link of its own opens the larger view.</param>
public sealed record Gallery(
    GalleryKind Kind, PerClass<int> Columns, PerClass<int> TargetHeightPx, int GutterPx, AspectRatio? Shape, bool Whole, Down Align,
    CaptionPlace Captions, CaptionSource CaptionsFrom, int CaptionLines, bool OpensLarger)
{
    public const int MostColumns = 6, MostGutterPx = 60, LeastHeightPx = 40, MostHeightPx = 800, MostCaptionLines = 6;

    /// <summary>Null shows all at once.</summary>
    public Paging? Paging { get; init; }

    /// <summary>Right without touching anything.</summary>
    public static Gallery Usual { get; } = new(
        GalleryKind.Grid, new(2, 3, 4), new(120, 180, 220), 12, AspectRatio.Of(3, 2), false, Down.Middle, CaptionPlace.None, CaptionSource.Caption, 2, true);

    /// <summary>Cells take their pictures' shapes wherever the layout is made of them.</summary>
    public AspectRatio? ShapeOfCells => Kind == GalleryKind.Grid ? Shape : null;
}
