using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Core.Site;

namespace Dekoro.Core.Tests.Planning;

/// <summary>Small pages of the Windle Sands Kite Museum to plan.</summary>
internal static class Sample
{
    public static PictureFacts Picture(
        string id = "kite",
        int width = 4000,
        int height = 3000,
        FocalRegion? keep = null,
        double? edgePx = 1.5,
        PictureMetadata? words = null,
        PictureFormat format = PictureFormat.Jpeg,
        bool alpha = false,
        int frames = 1
    ) =>
        new(
            id,
            new(id + ".jpg", format, alpha, frames, 2_000_000),
            new(width, height),
            BytesModel.Unmeasured((double)height / width),
            edgePx,
            keep,
            words
                ?? new PictureMetadata(
                    "Kite over the dunes",
                    "A red kite over dunes",
                    "A red kite",
                    "Seen from the pier",
                    "Ana Verhulst"
                )
        );

    public static FigureBlock Figure(
        string id = "f1",
        string asset = "kite",
        SizeRole role = SizeRole.Column,
        HorizontalAlign side = HorizontalAlign.Centre,
        bool beside = false,
        string? shape = null,
        AltChoice? alt = null,
        CaptionChoice? caption = null,
        LinkChoice? link = null,
        FigureSize? size = null
    ) =>
        new(
            id,
            asset,
            size ?? new FigureSize.ByRole(role),
            side,
            beside,
            shape is not null && AspectRatio.TryParse(shape, out var s) ? new(s) : CutChoice.AsIs,
            alt ?? new AltChoice(false, null),
            caption ?? new CaptionChoice(CaptionSource.None)
        )
        {
            Link = link ?? new LinkChoice(FigureLinkKind.None),
        };

    /// <summary>Columns with one picture in each cell.</summary>
    public static ColumnsBlock Columns(string id, int inRow, Extent extent, params string[] figures) =>
        new(
            id,
            inRow,
            extent,
            default,
            HorizontalAlign.Left,
            VerticalAlign.Top,
            [
                .. figures.Select(f => new CellBlock(
                    "cell-" + f,
                    Backdrop.None,
                    [Figure(f, size: new FigureSize.OfCell())]
                )),
            ]
        );

    public static ParagraphBlock Text(string id, string text) => new(id, [new TextRun(text)]);

    public static ResolvedPage Page(params Block[] blocks) => Page(_ => null, blocks);

    /// <param name="find">What arrangements there are.</param>
    public static ResolvedPage Page(Func<string, Arrangement?> find, params Block[] blocks) =>
        ResolvedPage.Of("home", new("Home", "", "", new Document([.. blocks])), find);

    public static PagePlan Plan(
        ResolvedPage page,
        IEnumerable<PictureFacts> pictures,
        IReadOnlyList<Place>? elsewhere = null
    ) =>
        PagePlanner.Plan(
            page,
            new PlanFacts(new SiteStyle(), pictures.ToDictionary(p => p.Id), Museum, elsewhere ?? [])
        );

    public static SiteAddresses Museum { get; } =
        new(
            new Dictionary<string, string> { ["home"] = "", ["visit"] = "visit" },
            new HashSet<string> { "kites.example" }
        );
}
