using System.IO.Compression;
using Dekoro.Core.Colour;
using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Core.Links;
using Dekoro.Core.Planning;
using Dekoro.Core.Widths;
using Dekoro.Publishing;
using Dekoro.Server.Work;

namespace Dekoro.Server.Http;

/// <param name="Word">sharp, soft or coarse.</param>
/// <param name="PxPerCssPx">Px in the cut for each CSS px of the place.</param>
public sealed record FitLook(double SlotCssPx, FitWord Word, FitReason Reason, double PxPerCssPx, long Bytes, double SharpUpToCssPx);

/// <summary>A placed picture as the plan has it.</summary>
/// <param name="Picture">Names its proofs: the id with the version in use.</param>
/// <param name="Fits">Null where it is hidden.</param>
/// <param name="On">Null where it is hidden; elsewhere what stands there, the same on all classes as a rule.</param>
/// <param name="Loss">What the cut takes from the keep area, in words; empty for nothing.</param>
/// <param name="Slot">Its width at every viewport.</param>
/// <param name="Files">How many files will be made for it.</param>
public sealed record FigureLook(
    string Asset, string Picture, string Title, int SourceWidth, int SourceHeight, Cut Cut, string Loss, PerClass<FitLook?> Fits, Remedy? Remedy, PerClass<bool> Beside,
    string Alt, string Caption, IReadOnlyList<Segment> Slot, IReadOnlyList<int> WidthsPx, int Files, PerClass<CutLook?> On);

/// <summary>What a picture shows on a class of screen.</summary>
public sealed record CutLook(string Asset, string Picture, string Title, Cut Cut, string Loss, int SourceWidth, int SourceHeight);

/// <param name="SlotCssPx">How wide the picture stands on the device; 0 where it is hidden.</param>
/// <param name="WidthPx">Of the file the device takes; 0 for one given out unchanged.</param>
public sealed record FileTaken(string BlockId, double SlotCssPx, int WidthPx);

/// <summary>The files made of a picture in one cut, for all its places on the site.</summary>
/// <param name="WorstRatio">Over its places, the largest expected bytes / bytes of files of exactly the size wanted.</param>
/// <param name="RatioOfOther">The same for the widths it is compared with; null where none were given.</param>
public sealed record LadderLook(string Title, Cut Cut, int Places, IReadOnlyList<int> WidthsPx, double WorstRatio, double? RatioOfOther);

/// <param name="Html">As the public page has it, with proof addresses; null where it is as in the look before.</param>
public sealed record BlockLook(string Id, string? Html);

/// <param name="HeightCssPx">At the class's reference width.</param>
/// <param name="Contrast">Of the words that are worst off; null where there are none, or the picture is not measured.</param>
public sealed record GroundClassLook(double HeightCssPx, Contrast? Contrast);

/// <param name="Mend">What makes its words readable everywhere; null where they are, or nothing does.</param>
public sealed record GroundLook(PerClass<GroundClassLook> On, GroundMendLook? Mend);

/// <param name="Tint">#rrggbb.</param>
/// <param name="Strength">For each class of screen.</param>
public sealed record GroundMendLook(WordsTone Words, string Tint, PerClass<int> Strength);

/// <summary>Everything the desk shows of a draft that is not typed by hand.</summary>
/// <param name="Mark">To name with the next draft, so that only what changed is told.</param>
/// <param name="Blocks">All of them, in order.</param>
/// <param name="Figures">Those that are not as in the look before.</param>
/// <param name="Files">What stands after each link to a file, by the link as it is written.</param>
/// <param name="Grounds">What stands behind words, by band or cell; a picture there is among the figures, by the same id.</param>
public sealed record Look(
    string Mark, IReadOnlyList<BlockLook> Blocks, IReadOnlyDictionary<string, FigureLook> Figures, IReadOnlyDictionary<string, GroundLook> Grounds,
    IReadOnlyList<Notice> Notices, PerClass<Weight> Weights, IReadOnlyDictionary<string, string> Files);

/// <summary>Draws drafts for the desk and the phone proof from the same plan that publishing uses.</summary>
public sealed class Looking(PlanBook book, Renderer renderer, Workspace workspace, RenditionMaker maker, LooksGiven given)
{
    private static readonly ProofAddresses Addresses = new();

    /// <param name="after">The mark of the look that is shown now; null for none.</param>
    public async Task<Look> AtAsync(PageSource page, string? after = null)
    {
        page = book.Whole(page);
        var plan = PagePlanner.Plan(page, book.Facts(page));
        var model = new PageModel(plan, book.Frame(), Addresses, "", IsProof: true);
        // Beside each other: on a long page each takes as long.
        var looking = Task.Run(() =>
        {
            var looks = plan.Figures.ToDictionary(f => f.Key, f => FigureOf(f.Value, plan.Layout));
            return (Looks: looks, Written: looks.ToDictionary(l => l.Key, l => Json.Write(l.Value)));
        });
        var blocks = (await renderer.BlocksAsync(model)).ToDictionary(b => b.BlockId, b => b.Html);
        var (figures, written) = await looking;
        var before = given.Find(page.Id, after);
        return new(given.Add(page.Id, after, blocks, written),
            [.. page.Document.Blocks.Select(b => new BlockLook(b.Id, blocks[b.Id] is var html && before?.Blocks.GetValueOrDefault(b.Id) == html ? null : html))],
            figures.Where(f => before?.Figures.GetValueOrDefault(f.Key) != written[f.Key]).ToDictionary(),
            plan.Grounds.ToDictionary(b => b.Key, b => GroundOf(b.Value)), plan.Notices, plan.Weights,
            plan.Links.Where(l => l.Value.Link is Link.File).ToDictionary(l => l.Key, l => plan.Addresses.FileById[((Link.File)l.Value.Link!).FileId].Facts));
    }

    /// <param name="root">Of the public site; null for addresses as the page itself has them.</param>
    /// <summary>One piece as the public page will have it, laid out to be read; null where the page has no such piece.</summary>
    public async Task<string?> MarkupAsync(PageSource page, string blockId, string? root = null)
    {
        page = book.Whole(page);
        var plan = PagePlanner.Plan(page, book.Facts(page));
        var assets = workspace.Assets.FindMany([.. plan.Assets.Distinct()]).ToDictionary(a => a.Id);
        var model = new PageModel(plan, book.Frame(), new PlannedAddresses("media/", assets, maker), root ?? PageModel.RootOf(page.Path), IsProof: false);
        var all = (await renderer.BlocksAsync(model)).Concat(await renderer.FiguresWithinAsync(model));
        return all.FirstOrDefault(b => b.BlockId == blockId) is { Html.Length: > 0 } piece ? Readable.Html(piece.Html) : null;
    }

    /// <summary>What a device of this viewport and pixel ratio takes of the page as it is written now, in the page's order.</summary>
    public IReadOnlyList<FileTaken> On(PageSource page, double viewportCssPx, double pixelRatio)
    {
        page = book.Whole(page);
        var plan = PagePlanner.Plan(page, book.Facts(page));
        return
        [
            .. page.Document.Figures.Where(f => plan.Figures.ContainsKey(f.Id)).Select(f => plan.Figures[f.Id])
                .Select(f => f.On(plan.Layout.Style.Classes.ClassOf(viewportCssPx)) is { } cut
                    ? new FileTaken(f.Block.Id, cut.Slot.At(viewportCssPx), cut.WidthTakenBy(viewportCssPx, pixelRatio))
                    : new FileTaken(f.Block.Id, 0, 0)),
        ];
    }

    /// <summary>What of a page would come when on a line, with words as they are packed on their way (RFC 1952).</summary>
    public async Task<PerClass<Rehearsal>> RehearseAsync(PageSource page, VisitorLine line)
    {
        page = book.Whole(page);
        var plan = PagePlanner.Plan(page, book.Facts(page));
        var text = PackedBytes(await PageAsync(page, Addresses)) + PackedBytes(SiteCss.Write(plan.Layout));
        return new PerClass<int>().Select((c, _) => Rehearsal.Of(plan, c, line, text));

        static long PackedBytes(string text)
        {
            using var packed = new MemoryStream();
            using (var zip = new GZipStream(packed, CompressionLevel.Optimal, leaveOpen: true)) zip.Write(System.Text.Encoding.UTF8.GetBytes(text));
            return packed.Length;
        }
    }

    /// <summary>Every ladder of the site, beside another list of widths for comparison.</summary>
    public IReadOnlyList<LadderLook> Ladders(IReadOnlyList<int> otherPx)
    {
        var facts = book.Facts();
        return
        [
            .. facts.Elsewhere.Where(p => !facts.Pictures[p.AssetId].IsVector).GroupBy(p => (p.AssetId, p.Cut)).Select(places =>
            {
                var (picture, cut) = (facts.Pictures[places.Key.AssetId], places.Key.Cut);
                var ladder = PagePlanner.LadderOf(picture, cut, places.Select(p => p.Slot), facts.Style.Devices);
                var demands = places.Select(p => Ladder.DemandsOf(p.Slot, facts.Style.Devices, cut.Width)).ToList();
                var others = Ladder.MakeableOf(otherPx, cut.Width);
                return new LadderLook(picture.Words.Title, cut, places.Count(), ladder.WidthsPx, ladder.WorstRatio,
                    others.Length == 0 ? null : Ladder.WorstRatioOf(others, demands, PagePlanner.BytesOf(picture, cut)));
            }),
        ];
    }

    /// <param name="pending">Pictures that are not in the library yet.</param>
    public Task<string> PageAsync(PageSource page, IFileAddresses addresses, IEnumerable<PictureFacts>? pending = null) =>
        PageAsync(PagePlanner.Plan(book.Whole(page), book.Facts(book.Whole(page), pending: pending)), addresses);

    public Task<string> PageAsync(PagePlan plan, IFileAddresses addresses) => renderer.PageAsync(new PageModel(plan, book.Frame(), addresses, "", IsProof: true), "");

    public static ProofAddresses ForDesk => Addresses;

    internal static FitLook? FitOf(Fit? fit, long? bytes = null) =>
        fit is null ? null : new(fit.SlotCssPx, fit.Word, fit.Reason, fit.PxPerCssPx, bytes ?? (long)fit.ExpectedBytes, fit.SharpUpToCssPx);

    private static GroundLook GroundOf(GroundPlan ground) => new(
        ground.On.Select((_, on) => new GroundClassLook(on.HeightCssPx, on.Contrast)),
        ground.Mend is { } mend ? new(mend.Words, mend.Tint.ToString(), mend.Strength) : null);

    private static FigureLook FigureOf(FigurePlan f, PageLayout layout) => new(
        f.Usual.Picture.Id, ProofAddresses.NameOf(f.Usual.Picture), f.Usual.Picture.Words.Title, f.Usual.Picture.Size.Width, f.Usual.Picture.Size.Height, f.Usual.Cut, f.Usual.Loss.InWords(),
        f.Fits.Select((c, fit) => FitOf(fit, f.On(c) is { IsUnchanged: true } cut ? cut.Picture.FileBytes : null)),
        Remedy.For(f, layout), f.Beside, f.Alt, f.Caption, SlotWidth.PerClass(f.Fits.Select((c, _) => f.On(c)?.Slot ?? SlotWidth.None), layout.Style.Classes).Segments, f.Usual.IsUnchanged ? [] : f.Usual.Ladder.WidthsPx, f.Files.Count(),
        f.Fits.Select((c, _) => f.On(c) is { } cut ? new CutLook(cut.Picture.Id, ProofAddresses.NameOf(cut.Picture), cut.Picture.Words.Title, cut.Cut, cut.Loss.InWords(), cut.Picture.Size.Width, cut.Picture.Size.Height) : null));
}
