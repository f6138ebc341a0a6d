using System.IO.Compression;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Banners;
using Dekoro.Core.Checks;
using Dekoro.Core.Content;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;
using Dekoro.Publishing;
using Dekoro.Server.Contracts;
using Dekoro.Storage;

namespace Dekoro.Server.Endpoints;

/// <summary>Draws drafts for the desk and the phone proof from the same plan that publishing uses.</summary>
public sealed class DraftPreview(
    PlanningContext planning,
    Renderer renderer,
    Workspace workspace,
    RenditionMaker maker,
    PreviewDeltaCache given
)
{
    private static readonly ProofAddresses Addresses = new();

    /// <param name="after">The mark of the look that is shown now; null for none.</param>
    public async Task<DraftPreviewResponse> AtAsync(ResolvedPage page, string? after = null)
    {
        var plan = PagePlanner.Plan(page, planning.Facts(page));
        var model = new PageModel(plan, planning.Frame(), Addresses, "", IsProof: true);
        // Beside each other: on a long page each takes as long.
        var preview = Task.Run(() =>
        {
            var looks = plan.Figures.ToDictionary(f => f.Key, f => FigureOf(f.Value, plan.Layout));
            return (Looks: looks, Written: looks.ToDictionary(l => l.Key, l => Json.Write(l.Value)));
        });
        var blocks = (await renderer.BlocksAsync(model)).ToDictionary(b => b.BlockId, b => b.Html);
        var (figures, written) = await preview;
        var before = given.Find(page.Id, after);
        return new(
            given.Add(page.Id, after, blocks, written),
            [
                .. page.Pieces.Select(b => new BlockResponse(
                    b.Id,
                    blocks[b.Id] is var html && before?.Blocks.GetValueOrDefault(b.Id) == html ? null : html
                )),
            ],
            figures.Where(f => before?.Figures.GetValueOrDefault(f.Key) != written[f.Key]).ToDictionary(),
            plan.Grounds.ToDictionary(b => b.Key, b => GroundOf(b.Value)),
            plan.Empty.ToDictionary(e => e.Key, e => plan.Layout.ChoicesOf(e.Value.Block)),
            PageChecks.Of(plan),
            plan.Weights,
            plan.Links.Where(l => l.Value.Link is Link.File)
                .ToDictionary(l => l.Key, l => plan.Addresses.FileById[((Link.File)l.Value.Link!).FileId].Facts)
        );
    }

    /// <summary>How a banner comes out at the top of a page.</summary>
    public BannerLook LookOf(PageRow row, Banner banner)
    {
        var page = planning.PageWith(row, banner);
        var plan = PagePlanner.Plan(page, planning.Facts(page));
        var within = page.Top is { } top ? Walk.Over([top]).Select(b => b.Id).ToHashSet() : [];
        var ground = plan.Grounds.GetValueOrDefault(Banner.BlockId);
        return new(
            ground is null ? null : GroundOf(ground),
            plan.Figures.GetValueOrDefault(Banner.BlockId) is { } figure ? FigureOf(figure, plan.Layout) : null,
            [.. PageChecks.Of(plan).Where(n => within.Contains(n.BlockId)).Select(n => n.Sentence).Distinct()],
            ground is null ? "" : ShapeOf(plan.Layout, ground.On.Desktop.HeightCssPx)
        );

        static string ShapeOf(PageLayout layout, double heightCssPx) =>
            AspectRatio.Of(layout.Style.Classes.ReferencePx.Desktop, Math.Max(1, Math.Round(heightCssPx))).ToString();
    }

    /// <param name="root">Of the public site; null for addresses as the page itself has them.</param>
    /// <summary>
    /// One piece as the public page will have it, laid out to be read; null where the page has no such piece.
    /// </summary>
    public async Task<string?> MarkupAsync(ResolvedPage page, string blockId, string? root = null)
    {
        var plan = PagePlanner.Plan(page, planning.Facts(page));
        var assets = workspace.Assets.FindMany([.. plan.Assets.Distinct()]).ToDictionary(a => a.Id);
        var model = new PageModel(
            plan,
            planning.Frame(),
            new PlannedAddresses("media/", assets, maker),
            root ?? PageModel.RootOf(page.Path),
            IsProof: false
        );
        var all = (await renderer.BlocksAsync(model)).Concat(await renderer.FiguresWithinAsync(model));
        return all.FirstOrDefault(b => b.BlockId == blockId) is { Html.Length: > 0 } piece
            ? Readable.Html(piece.Html)
            : null;
    }

    /// <summary>
    /// What a device of this viewport and pixel ratio takes of the page as it is written now, in the page's order.
    /// </summary>
    public IReadOnlyList<FileTaken> On(ResolvedPage page, double viewportCssPx, double pixelRatio)
    {
        var plan = PagePlanner.Plan(page, planning.Facts(page));
        return
        [
            .. page
                .Document.Figures.Where(f => plan.Figures.ContainsKey(f.Id))
                .Select(f => plan.Figures[f.Id])
                .Select(f =>
                    f.On(plan.Layout.Style.Classes.ClassOf(viewportCssPx)) is { } cut
                        ? new FileTaken(
                            f.Block.Id,
                            cut.Slot.At(viewportCssPx),
                            cut.WidthTakenBy(viewportCssPx, pixelRatio)
                        )
                        : new FileTaken(f.Block.Id, 0, 0)
                ),
        ];
    }

    /// <summary>
    /// What of a page would come when on a line, with words as they are packed on their way (RFC 1952).
    /// </summary>
    public async Task<PerClass<LoadTimeline>> RehearseAsync(ResolvedPage page, VisitorLine line)
    {
        var plan = PagePlanner.Plan(page, planning.Facts(page));
        var text = PackedBytes(await PageAsync(page, Addresses)) + PackedBytes(SiteCss.Write(plan.Layout));
        return new PerClass<int>().Select((c, _) => LoadTimeline.Of(plan, c, line, text));

        static long PackedBytes(string text)
        {
            using var packed = new MemoryStream();
            using (var zip = new GZipStream(packed, CompressionLevel.Optimal, leaveOpen: true))
                zip.Write(System.Text.Encoding.UTF8.GetBytes(text));
            return packed.Length;
        }
    }

    /// <summary>Every ladder of the site, beside another list of widths for comparison.</summary>
    public IReadOnlyList<LadderResponse> Ladders(IReadOnlyList<int> otherPx)
    {
        var facts = planning.Facts();
        return
        [
            .. facts
                .Elsewhere.Where(p => !facts.Pictures[p.AssetId].IsVector)
                .GroupBy(p => (p.AssetId, p.Cut))
                .Select(places =>
                {
                    var (picture, cut) = (facts.Pictures[places.Key.AssetId], places.Key.Cut);
                    var ladder = FigurePlanner.LadderOf(picture, cut, places.Select(p => p.Slot), facts.Style.Devices);
                    var demands = places.Select(p => Ladder.DemandsOf(p.Slot, facts.Style.Devices, cut.Width)).ToList();
                    var others = Ladder.MakeableOf(otherPx, cut.Width);
                    return new LadderResponse(
                        picture.Metadata.Title,
                        cut,
                        places.Count(),
                        ladder.WidthsPx,
                        ladder.WorstRatio,
                        others.Length == 0 ? null : Ladder.WorstRatioOf(others, demands, Forecast.BytesOf(picture, cut))
                    );
                }),
        ];
    }

    /// <param name="pending">Pictures that are not in the library yet.</param>
    public Task<string> PageAsync(
        ResolvedPage page,
        IFileAddresses addresses,
        IEnumerable<PictureFacts>? pending = null
    ) => PageAsync(PagePlanner.Plan(page, planning.Facts(page, pending: pending)), addresses);

    /// <summary>A page that is planned already, as it is shown on the desk.</summary>
    public Task<string> PageAsync(PagePlan plan, IFileAddresses addresses) =>
        renderer.PageAsync(new PageModel(plan, planning.Frame(), addresses, "", IsProof: true), "");

    public static ProofAddresses ForDesk => Addresses;

    internal static FitResponse? FitOf(Fit? fit, double? bytes = null) =>
        fit is null
            ? null
            : new(
                fit.SlotCssPx,
                fit.Word,
                fit.Reason,
                fit.PxPerCssPx,
                (long)(bytes ?? fit.ExpectedBytes),
                fit.SharpUpToCssPx
            );

    private static BackdropResponse GroundOf(BackdropPlan ground) =>
        new(
            ground.On.Select((_, on) => new BackdropOnClassResponse(on.HeightCssPx, on.Contrast)),
            ground.Mend is { } mend ? new(mend.Words, mend.Tint.ToString(), mend.Strength) : null
        );

    private static FigureResponse FigureOf(FigurePlan f, PageLayout layout) =>
        new(
            f.Usual.Picture.Id,
            ProofAddresses.NameOf(f.Usual.Picture),
            f.Usual.Picture.Metadata.Title,
            f.Usual.Picture.Size.Width,
            f.Usual.Picture.Size.Height,
            f.Usual.Cut,
            f.Usual.Loss.InWords(),
            f.Fits.Select((c, fit) => FitOf(fit, f.BytesOn(c))),
            Remedy.For(f, layout),
            f.Beside,
            layout.ChoicesOf(f.Block),
            f.Fits.Select((c, _) => layout.ChoicesOn(f.Block, c)),
            f.Fits.Select((c, _) => layout.SameSizesOn(f.Block.On(c).Size, c)),
            f.Alt,
            f.Caption,
            SlotWidth.PerClass(f.Fits.Select((c, _) => f.On(c)?.Slot ?? SlotWidth.None), layout.Style.Classes).Segments,
            f.Usual.IsUnchanged ? [] : f.Usual.Ladder.WidthsPx,
            f.Files.Count(),
            f.Fits.Select(
                (c, _) =>
                    f.On(c) is { } cut
                        ? new CutResponse(
                            cut.Picture.Id,
                            ProofAddresses.NameOf(cut.Picture),
                            cut.Picture.Metadata.Title,
                            cut.Cut,
                            cut.Loss.InWords(),
                            cut.Picture.Size.Width,
                            cut.Picture.Size.Height
                        )
                        : null
            )
        );
}
