using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Planning;
using Dekoro.Publishing;
using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <summary>Some pages on their way to the public site: planned, their files made, then written.</summary>
internal sealed class PagesWriting(
    Workspace workspace,
    RenditionMaker maker,
    Renderer renderer,
    SiteMoment moment,
    SiteRound round
)
{
    private IReadOnlyList<(DuePage Page, IReadOnlyList<PagePlan> Plans)> _planned = [];
    private Dictionary<string, Asset> _assets = [];
    private MadeOf? _made;

    /// <summary>Plans the pages, and makes what is not there yet of the formats that are waited for.</summary>
    /// <returns>How many files were made.</returns>
    public async Task<int> MakeAsync(
        IReadOnlyList<DuePage> pages,
        Func<OutputFormat, bool> wanted,
        IProgress<PublishProgress> progress,
        CancellationToken stop
    )
    {
        Plan(pages, stop);
        var ladders = Missing(wanted).ToList();
        var (count, done, all) = (0, 0L, ladders.Sum(l => l.Sum(WorkOf)));
        foreach (var ladder in ladders)
        {
            stop.ThrowIfCancellationRequested();
            progress.Report(
                new((int)(100 * done / all), 100, $"Making the files of {ladder.Key.Asset.Facts.Metadata.Title}.")
            );
            count += await maker.LadderAsync(ladder.Key.Asset, ladder.Key.Cut, [.. ladder], stop);
            done += ladder.Sum(WorkOf);
        }
        // Whoever made them: what is made ahead meanwhile is there too, and was not before.
        if (ladders.Count > 0)
            _made!.LookAgain();
        _made!.Keep();
        return count;
    }

    /// <summary>Plans the pages.</summary>
    public void Plan(IReadOnlyList<DuePage> pages, CancellationToken stop)
    {
        _planned =
        [
            .. pages.AsParallel().AsOrdered().WithCancellation(stop).Select(page => (page, PlansOf(page.Page))),
        ];
        var plans = _planned.SelectMany(p => p.Plans).ToList();
        _assets = SiteMoment.PicturesOf(pages.Select(p => p.Page));
        _made = new(plans, _assets, maker);
    }

    /// <summary>Which of their files in some formats are not there, by picture and cut.</summary>
    public ILookup<(Asset Asset, Cut Cut), PlannedFile> Missing(Func<OutputFormat, bool> wanted) =>
        _made!.Missing(f => wanted(f.Format));

    /// <summary>The pages as parts of the site.</summary>
    public async Task<IReadOnlyList<SitePart>> WriteAsync(CancellationToken stop)
    {
        var parts = new SitePart[_planned.Count];
        await Parallel.ForAsync(0, parts.Length, stop, async (i, _) => parts[i] = await PartOfAsync(_planned[i]));
        return parts;
    }

    /// <summary>Roughly how long a file takes: by its px, and by how slow its format is.</summary>
    private static long WorkOf(PlannedFile file) =>
        1 + (long)file.WidthPx * file.WidthPx / 1000 * (FormatOrder.JoinsLater(file.Format) ? 8 : 2);

    private IReadOnlyList<PagePlan> PlansOf(KnownPage page)
    {
        var facts = moment.Facts(page);
        return [.. page.Sheets.Select(sheet => PagePlanner.Plan(sheet, facts))];
    }

    private async Task<SitePart> PartOfAsync((DuePage Page, IReadOnlyList<PagePlan> Plans) planned)
    {
        var files = new Dictionary<string, SiteFile>(StringComparer.Ordinal);
        var made = _made!;
        var addresses = new PlannedAddresses("media/", _assets, maker, made.Offered, made.NameOf);
        foreach (var plan in planned.Plans)
        {
            var html = await renderer.PageAsync(
                new PageModel(plan, round.Frame, addresses, PageModel.RootOf(plan.Page.Path), IsProof: false),
                round.StyleVersion
            );
            files[SiteBuilder.FileNameOf(plan.Page.Path)] = SiteFile.Of(Encoding.UTF8.GetBytes(html));
        }
        var figures = planned.Plans.SelectMany(p => p.Figures.Values).ToList();
        foreach (var file in figures.SelectMany(FilesToOffer).Distinct())
            files["media/" + made.NameOf(file)] = made.FileOf(file, workspace);
        var isAwaited = figures.SelectMany(f => f.Cuts).Any(cut => cut.Formats.Any(f => !made.IsThere(cut, f)));
        return new(planned.Page.Key, planned.Page.Fingerprint, isAwaited, files);
    }

    private IEnumerable<PlannedFile> FilesToOffer(FigurePlan figure) =>
        figure
            .Cuts.SelectMany(cut => _made!.Offered(cut).SelectMany(cut.FilesIn))
            .Concat(figure.LargeFile is null ? [] : [figure.LargeFile]);
}
