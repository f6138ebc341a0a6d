using System.Collections.Immutable;
using Dekoro.Core.Colour;
using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Core.Links;
using Dekoro.Core.Sites;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

/// <param name="Path">Its address under the site, without slashes at the ends; "" is the front page.</param>
public sealed record PageSource(string Id, string Title, string Path, string Summary, Document Document)
{
    /// <summary>It stands in a frame of another site: without the bar, title and foot of this one.</summary>
    public bool IsBare { get; init; }

    /// <summary>What it belongs to, where it shows further pictures of a gallery; null for a page itself.</summary>
    public SheetOf? Sheet { get; init; }

    /// <summary>The page that people know, of which this is all or a part.</summary>
    public PageSource Main => Sheet?.Page ?? this;
}

/// <summary>The facts a plan is made with, beside the page itself.</summary>
/// <param name="Elsewhere">The slots in which a picture's cut stands on the other pages of the site.</param>
public sealed record PlanFacts(
    SiteStyle Style, IReadOnlyDictionary<string, PictureFacts> Pictures, SiteAddresses Addresses, IReadOnlyList<Place> Elsewhere)
{
    /// <summary>Samples of the pictures that stand behind words, by picture.</summary>
    public IReadOnlyDictionary<string, ColourGrid> Grids { get; init; } = ImmutableDictionary<string, ColourGrid>.Empty;

    public PictureFacts? PictureOf(FigureBlock figure) => Pictures.GetValueOrDefault(figure.AssetId);
}

/// <summary>A picture standing somewhere: what a ladder needs to know of it.</summary>
/// <param name="Slot">Nothing on the classes where it is not shown.</param>
/// <param name="On">The classes where it is.</param>
public sealed record Place(string PageId, string BlockId, string AssetId, Cut Cut, SlotWidth Slot, PerClass<bool> On);

public enum OutputFormat { Avif, WebP, Jpeg, Png, Gif, Svg }

/// <summary>One file that a page asks for. Equal values are the same file.</summary>
/// <param name="WidthPx">Of the output; 0 for a file given out unchanged.</param>
public sealed record PlannedFile(string AssetId, Cut Cut, int WidthPx, OutputFormat Format)
{
    public bool IsUnchanged => WidthPx == 0;
}

/// <summary>When a browser fetches a picture: first of all, at once, or on scrolling near.</summary>
public enum Loading { First, AtOnce, Later }

/// <summary>One cut of one picture as a figure shows it, on all classes of screen or on some.</summary>
/// <param name="On">The classes on which it is shown.</param>
/// <param name="Slot">How wide it stands; nothing where it is not shown.</param>
/// <param name="Formats">In the order in which they are offered, the one every browser reads last.</param>
public sealed record PlannedCut(
    PerClass<bool> On, PictureFacts Picture, Cut Cut, KeepLoss Loss, SlotWidth Slot, Ladder Ladder, ImmutableArray<OutputFormat> Formats)
{
    public bool IsUnchanged => Formats is [OutputFormat.Svg];

    public IEnumerable<PlannedFile> FilesIn(OutputFormat format) => IsUnchanged
        ? [new(Picture.Id, Cut, 0, format)]
        : Ladder.WidthsPx.Select(w => new PlannedFile(Picture.Id, Cut, w, format));

    /// <summary>Width in px of the file that a device takes; 0 for a file given out unchanged.</summary>
    public int WidthTakenBy(double viewportCssPx, double pixelRatio) =>
        IsUnchanged ? 0 : Forecast.Take(Ladder.WidthsPx, Slot.At(viewportCssPx), pixelRatio);
}

/// <summary>Everything decided about one placed picture; markup, fit, checks and weight read it from here.</summary>
/// <param name="Cuts">What it shows of which picture, that of the widest screens first; at least one.</param>
/// <param name="Fits">Null where it is hidden.</param>
/// <param name="Alt">Empty for a decorative picture.</param>
/// <param name="Link">Where the picture leads; null for nowhere or the large file.</param>
/// <param name="LargeFile">The file opened by a click, where that is set.</param>
public sealed record FigurePlan(
    FigureBlock Block, ImmutableArray<PlannedCut> Cuts, PerClass<bool> Beside, Loading Loading, PerClass<Fit?> Fits, string Alt, string Caption, Link? Link, PlannedFile? LargeFile)
{
    /// <summary>What the larger view shows in its stead; null for the large file, and where what was chosen cannot be shown.</summary>
    public LargerContent? Instead { get; init; }

    public bool OpensLarger => LargeFile is not null || Instead is not null;

    /// <summary>That of the widest screens on which it is shown.</summary>
    public PlannedCut Main => Cuts[0];

    /// <summary>What stands where no width is an exception.</summary>
    public PlannedCut Usual => WidthClasses.All.Reverse().Where(c => Block.Exceptions[c] is null).Select(On).FirstOrDefault() ?? Main;

    /// <summary>Its fit on the class of screen where that is worst.</summary>
    public FitWord Worst => WidthClasses.All.Select(c => Fits[c]).OfType<Fit>().Select(fit => fit.Word).DefaultIfEmpty(FitWord.Sharp).Max();

    /// <returns>Null where the picture is hidden.</returns>
    public PlannedCut? On(WidthClass c) => Cuts.FirstOrDefault(cut => cut.On[c]);

    /// <summary>Expected bytes on the commonest device of a class; 0 where it is hidden.</summary>
    public double BytesOn(WidthClass c) => On(c) is { IsUnchanged: true } cut ? cut.Picture.FileBytes : Fits[c]?.ExpectedBytes ?? 0;

    public IEnumerable<PlannedFile> Files => Cuts.SelectMany(cut => cut.Formats.SelectMany(cut.FilesIn)).Concat(LargeFile is null ? [] : [LargeFile]);
}

/// <summary>A place that waits for a picture, and how large one is sharp there on every screen.</summary>
public sealed record EmptyPlace(FigureBlock Block, PerClass<bool> Beside, int WantsWidthPx, int WantsHeightPx)
{
    private const double UsualShape = 1.5;

    public static EmptyPlace Of(Stand stand, PageLayout layout)
    {
        var width = WidthClasses.All.Max(c => Fit.SharpFromPxOf(c, stand.Box, layout.Style.Devices, layout.Style.Classes));
        return new(stand.Figure, layout.BesideOf(stand.Figure), width, (int)Math.Ceiling(width / (stand.Figure.Cut.Shape?.Value ?? UsualShape)));
    }
}

/// <summary>Something a person should know about a piece of the page.</summary>
/// <param name="Blocks">True where it keeps the piece from being published.</param>
public sealed record Notice(string BlockId, string Sentence, bool Blocks = false);

/// <summary>Bytes of pictures on the commonest device of a class.</summary>
/// <param name="AtOnce">Fetched when the page opens.</param>
/// <param name="Later">Fetched on scrolling.</param>
public readonly record struct Weight(double AtOnce, double Later)
{
    public double All => AtOnce + Later;
}

/// <summary>The plan of one page: what every reader of it needs, worked out once.</summary>
public sealed record PagePlan(
    PageSource Page, PageLayout Layout, SiteAddresses Addresses, ImmutableDictionary<string, FigurePlan> Figures, ImmutableDictionary<string, EmptyPlace> Empty,
    ImmutableDictionary<string, GroundPlan> Grounds, ImmutableDictionary<string, SetPlan> Sets, ImmutableDictionary<string, LinkReading> Links, ImmutableArray<Notice> Notices, PerClass<Weight> Weights)
{
    /// <summary>Every picture of which files are needed; one may come more than once.</summary>
    public IEnumerable<string> Assets => Figures.Values.SelectMany(f => f.Files).Select(f => f.AssetId);

    /// <summary>Every link that leads somewhere, of words and of pictures.</summary>
    public IEnumerable<Link> LinksOut => Links.Values.Select(r => r.Link).Concat(Figures.Values.Select(f => f.Link)).OfType<Link>()
        .Concat(TextRuns.FilesPlayedIn(Page.Document).Select(played => played.FileId).Where(Addresses.FileById.ContainsKey).Select(id => new Link.File(id)));
}
