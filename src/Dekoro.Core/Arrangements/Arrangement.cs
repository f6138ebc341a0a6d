using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Responsive;
using NodaTime;

namespace Dekoro.Core.Arrangements;

/// <summary>
/// A set of pictures with its running order, used on any number of pages and changed once for all of them.
/// </summary>
/// <param name="SourceQuery">A search line: what the library holds of it stands here, and what comes later too; null
/// where the pictures are chosen.</param>
public sealed record Arrangement(
    string Id,
    string Name,
    Gallery Gallery,
    ImmutableArray<ArrangementItem> Items,
    string? SourceQuery = null
)
{
    /// <summary>The most pictures one arrangement may hold.</summary>
    public const int MaxItems = 2000;

    /// <summary>What is set for the other kinds stays, so that a change of kind loses nothing.</summary>
    public ArrangementKind Kind { get; init; }

    /// <summary>
    /// How it moves, where it is a slider or a carousel; a gallery keeps it for the day it becomes one.
    /// </summary>
    public Slider Slider { get; init; } = Slider.Usual;

    /// <summary>The one shape of all pictures; null leaves each as it is.</summary>
    public AspectRatio? ShapeOfAll =>
        Kind != ArrangementKind.Gallery ? Slider.Shape
        : Gallery.Whole ? null
        : Gallery.ShapeOfCells;

    /// <summary>
    /// Whether it has a page of its own on the public site, for sites elsewhere to show it in a frame.
    /// </summary>
    public bool IsShownElsewhere { get; init; }

    /// <summary>How the larger view of its pictures looks.</summary>
    public Lightbox Larger { get; init; } = Lightbox.Usual;

    /// <summary>What stands round each of its pictures, within its box.</summary>
    public FrameStyleChoice FrameStyle { get; init; } = FrameStyleChoice.None;

    /// <summary>How it is shown a part at a time; null shows all of it at once.</summary>
    public Paging? Paging => Kind == ArrangementKind.Gallery ? Gallery.Paging : null;

    /// <summary>Where captions come from, whichever kind it is.</summary>
    public CaptionSource CaptionsFrom => Kind == ArrangementKind.Gallery ? Gallery.CaptionsFrom : Slider.CaptionsFrom;

    /// <summary>Where captions stand, whichever kind it is.</summary>
    public CaptionPlace Captions => Kind == ArrangementKind.Gallery ? Gallery.Captions : Slider.Captions;

    /// <summary>Whether a press on a picture opens its larger view, whichever kind it is.</summary>
    public bool OpensLarger => Kind == ArrangementKind.Gallery ? Gallery.OpensLarger : Slider.OpensLarger;

    /// <summary>Where a picture's words come from: its own choice, or that of the whole set.</summary>
    public CaptionChoice CaptionOf(ArrangementItem item) => item.Caption ?? new(CaptionsFrom);

    /// <summary>Where a press on a picture leads: by its own choice, or by that of the whole set.</summary>
    public LinkChoice LinkOf(ArrangementItem item) =>
        item switch
        {
            { Instead.InPlace: null } => new(FigureLinkKind.LargeFile),
            { Instead.StaysInPlace: true, Link.Kind: FigureLinkKind.None or FigureLinkKind.LargeFile } => new(
                FigureLinkKind.None
            ),
            { Link.Kind: FigureLinkKind.None } when OpensLarger => new(FigureLinkKind.LargeFile),
            _ => item.Link,
        };

    /// <summary>
    /// The order in which its items stand when they are sorted; items of which nothing is known come first.
    /// </summary>
    public ImmutableArray<string> SortedBy<T>(Func<ArrangementItem, T> of, IComparer<T>? comparer = null) =>
        [.. Items.OrderBy(of, comparer).Select(i => i.Id)];

    /// <summary>How many of a slider or carousel are in view at once.</summary>
    public PerClass<int> InView => Kind == ArrangementKind.Carousel ? Slider.InView : new(1, 1, 1);

    /// <summary>
    /// Where a slider or carousel with so many pictures comes to stand. In one that goes on from its end the first come
    /// after the last.
    /// </summary>
    public ImmutableArray<int> StopsOn(WidthClass c, int count) =>
        SnapPositions.Of(count, InView[c], AdvanceBy[c], Slider.Loops);

    /// <summary>
    /// How long it stands at each stop: as long as that of the slides in view which stays longest, ms.
    /// </summary>
    public ImmutableArray<int> StaysOn(WidthClass c) => LongestOn(c, StayOf);

    /// <summary>The largest of what is in view at each stop.</summary>
    internal ImmutableArray<int> LongestOn(WidthClass c, Func<ArrangementItem, int> msOf)
    {
        var each = Shown.Select(msOf).ToList();
        return
        [
            .. StopsOn(c, each.Count)
                .Select(first =>
                    Enumerable.Range(first, Math.Min(InView[c], each.Count)).Max(i => each[i % each.Count])
                ),
        ];
    }

    /// <summary>How long an item stays in view, in ms: its own time, or that of all.</summary>
    public int StayOf(ArrangementItem item) => item.StayMs ?? Slider.StayMs;

    /// <summary>How many pictures one step goes on, per width class; a slider always goes on by one.</summary>
    public PerClass<int> AdvanceBy => Kind == ArrangementKind.Carousel ? Slider.AdvanceBy : new(1, 1, 1);

    /// <summary>What visitors see of it, in order.</summary>
    public IEnumerable<ArrangementItem> Shown =>
        Items.Where(i =>
            i.IsOn && i.IsDue && (!i.IsWordsAlone || (Kind != ArrangementKind.Gallery && i.Words is not null))
        );

    /// <summary>As visitors see it on a day of the site's calendar.</summary>
    public Arrangement On(LocalDate day) =>
        Items.All(i => i.Dates is null)
            ? this
            : this with
            {
                Items = [.. Items.Select(i => i with { IsDue = i.Dates?.Includes(day) ?? true })],
            };

    /// <summary>Days on which what visitors see of it becomes another by itself, in their order.</summary>
    public IEnumerable<LocalDate> ChangesWithin(LocalDate after, LocalDate last) =>
        Items.Where(i => i.IsOn).SelectMany(i => i.Dates?.ChangesWithin(after, last) ?? []).Distinct().Order();

    /// <summary>The same with just these pictures, in this order; what was said of one of them stays with it.</summary>
    public Arrangement Holding(IEnumerable<string> assetIds)
    {
        var said = Items.DistinctBy(i => i.AssetId).ToDictionary(i => i.AssetId);
        return this with
        {
            Items =
            [
                .. assetIds
                    .Distinct()
                    .Take(MaxItems)
                    .Select(id =>
                        said.GetValueOrDefault(id)
                        ?? new("f" + id, id, true, new(false, null), null, new(FigureLinkKind.None))
                    ),
            ],
        };
    }

    /// <summary>
    /// Pictures that stand out among the others: in cells by their shape, evenly spaced by how wide or high they are,
    /// further from the middle one than <see cref="Odd"/> times. One shape for all cells makes them alike.
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
        var pictures = Shown
            .Select(i => (i.Id, Size: sizeOf(i.AssetId)))
            .Where(p => p.Size is not null)
            .Select(p => (p.Id, Size: p.Size!.Value))
            .ToList();
        if (pictures.Count < MinToCompare)
            return [];
        var odd = measures.SelectMany(OddBy).ToHashSet();
        return [.. pictures.Select(p => p.Id).Where(odd.Contains)];

        double WidePx(PixelSize size) => Math.Min(Gallery.OwnPx(size.Width), mostPx);

        IEnumerable<string> OddBy(Func<PixelSize, double> measure)
        {
            var all = pictures.Select(p => (p.Id, Log: Math.Log(measure(p.Size)))).ToList();
            var middle = all.Select(p => p.Log).Order().ElementAt(all.Count / 2);
            return all.Where(p => Math.Abs(p.Log - middle) > Math.Log(Odd)).Select(p => p.Id);
        }
    }

    private const double Odd = 1.6;
    private const int MinToCompare = 3;

    /// <summary>The same with another picture in some of its places.</summary>
    /// <param name="altByPlace">The items that change, by id, each with its own words from then on; null takes the
    /// library's. Of a step the picture alone changes.</param>
    public Arrangement WithPictures(
        string toAsset,
        IReadOnlyDictionary<(string ItemId, bool IsStep), string?> altByPlace
    )
    {
        return this with { Items = [.. Items.Select(Own).Select(Step)] };

        ArrangementItem Own(ArrangementItem item) =>
            altByPlace.TryGetValue((item.Id, false), out var alt)
                ? item with
                {
                    AssetId = toAsset,
                    Alt = item.Alt with { Own = alt },
                }
                : item;
        ArrangementItem Step(ArrangementItem item) =>
            altByPlace.ContainsKey((item.Id, true)) ? item with { StepAssetId = toAsset } : item;
    }
}
