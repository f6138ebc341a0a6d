using System.Security.Cryptography;
using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Core.Delivery;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Site;
using Dekoro.Publishing;
using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <summary>Makes the files that plans ask for, and writes the pages.</summary>
public sealed class SiteBuilder(Workspace workspace, RenditionMaker maker, Renderer renderer, FilesBeside beside)
{
    /// <summary>All pages of a site, and the galleries in parts that are several.</summary>
    internal static IEnumerable<ResolvedPage> PagesOf(PlanningContext planning, IEnumerable<PageRow> rows) =>
        rows.Select(planning.PageOf).Concat(planning.ShownElsewhere()).SelectMany(GalleryPages.Of);

    internal static string FileNameOf(ResolvedPage page) =>
        page.Path.Length == 0 ? "index.html" : page.Path + "/index.html";

    internal static List<PagePlan> PlansOf(IEnumerable<ResolvedPage> pages, PlanFacts facts) =>
        [.. pages.Select(p => PagePlanner.Plan(p, facts))];

    internal Dictionary<string, Asset> AssetsOf(IEnumerable<PagePlan> plans) =>
        workspace.Assets.FindMany([.. plans.SelectMany(p => p.Assets).Distinct()]).ToDictionary(a => a.Id);

    internal async Task<BuiltSite> BuildAsync(
        PlanningContext planning,
        IEnumerable<ResolvedPage> pages,
        IProgress<PublishProgress> progress,
        CancellationToken stop
    )
    {
        var facts = planning.Facts();
        var plans = PlansOf(pages, facts);
        var assets = AssetsOf(plans);
        var made = await MakeAsync(plans, assets, progress, stop, isThorough: true);
        var files = new SortedDictionary<string, SiteFile>(StringComparer.Ordinal);
        AddPictures(files, plans, assets);
        var others = beside.Of(plans, facts);
        foreach (var file in others)
            files[file.Address] = SiteFile.At(await file.PathAsync());
        var css = Encoding.UTF8.GetBytes(SiteCss.Write(new PageLayout(facts.Style)));
        AddShared(files, css, facts.Style);
        await AddPagesAsync(files, planning.Frame(), plans, assets, css);
        return new(files, made, beside.ContentsOf(others));
    }

    /// <summary>Makes what is not there yet.</summary>
    /// <returns>How many files that were.</returns>
    internal async Task<int> MakeAsync(
        List<PagePlan> plans,
        IReadOnlyDictionary<string, Asset> assets,
        IProgress<PublishProgress> progress,
        CancellationToken stop,
        bool isThorough = false
    )
    {
        var ladders = plans
            .SelectMany(p => p.Figures.Values)
            .SelectMany(f => f.Files)
            .Distinct()
            .ToLookup(f => (f.AssetId, f.Cut));
        var (made, done, all) = (0, 0, ladders.Sum(l => l.Count()));
        foreach (var ladder in ladders)
        {
            stop.ThrowIfCancellationRequested();
            progress.Report(new(done, all, $"Making the files of {assets[ladder.Key.AssetId].Facts.Metadata.Title}."));
            made += await maker.LadderAsync(assets[ladder.Key.AssetId], ladder.Key.Cut, [.. ladder], stop, isThorough);
            done += ladder.Count();
        }
        return made;
    }

    private void AddPictures(
        SortedDictionary<string, SiteFile> files,
        List<PagePlan> plans,
        IReadOnlyDictionary<string, Asset> assets
    )
    {
        foreach (
            var picture in plans
                .SelectMany(p => p.Figures.Values)
                .SelectMany(figure => FilesToOffer(figure, assets))
                .DistinctBy(f => (f.AssetId, maker.NameOf(assets[f.AssetId], f)))
                .GroupBy(f => f.AssetId)
        )
        {
            var asset = assets[picture.Key];
            var names = picture.Select(f => maker.NameOf(asset, f)).ToList();
            var known = workspace.MadeFiles.FindMany(names).ToDictionary(m => m.Name);
            // What each file is was written down when it was made, and was just read again to the end.
            foreach (var name in names)
                files["media/" + name] = known.TryGetValue(name, out var m)
                    ? new(m.Sha256, m.Bytes, null, maker.PathOf(name))
                    : SiteFile.At(workspace.PathOf(asset));
        }
    }

    /// <summary>What all pages have in common.</summary>
    private static void AddShared(SortedDictionary<string, SiteFile> files, byte[] css, SiteStyle style)
    {
        files["assets/site.css"] = SiteFile.Of(css);
        string[] names = [Publishing.Assets.SetsStyle, .. Publishing.Assets.Scripts, .. Faces.Of(style.Typeface).Files];
        foreach (var name in names)
            files["assets/" + name] = SiteFile.Of(Publishing.Assets.Bytes(name));
    }

    private async Task AddPagesAsync(
        SortedDictionary<string, SiteFile> files,
        SiteFrame frame,
        List<PagePlan> plans,
        IReadOnlyDictionary<string, Asset> assets,
        byte[] css
    )
    {
        var version = "?" + Convert.ToHexStringLower(SHA256.HashData(css).AsSpan(0, 4));
        var addresses = new PlannedAddresses("media/", assets, maker, cut => Offered(cut, assets));
        foreach (var plan in plans)
        {
            var html = await renderer.PageAsync(
                new PageModel(plan, frame, addresses, PageModel.RootOf(plan.Page.Path), IsProof: false),
                version
            );
            files[FileNameOf(plan.Page)] = SiteFile.Of(Encoding.UTF8.GetBytes(html));
        }
        foreach (var (path, pageId) in workspace.Pages.OldAddresses())
        {
            // An address that another page has taken since is that page's.
            if (plans.Find(p => p.Page.Id == pageId) is not { } plan || files.ContainsKey(path + "/index.html"))
                continue;
            files[path + "/index.html"] = SiteFile.Of(
                Encoding.UTF8.GetBytes(await renderer.MovedAsync(frame, plan.Page, PageModel.RootOf(path)))
            );
        }
    }

    private IEnumerable<PlannedFile> FilesToOffer(FigurePlan figure, IReadOnlyDictionary<string, Asset> assets) =>
        figure
            .Cuts.SelectMany(cut => Offered(cut, assets).SelectMany(cut.FilesIn))
            .Concat(figure.LargeFile is null ? [] : [figure.LargeFile]);

    private IReadOnlyList<OutputFormat> Offered(PlannedCut cut, IReadOnlyDictionary<string, Asset> assets) =>
        FormatOrder.ByGain(cut.Formats, format =>
            cut.FilesIn(format).Sum(file => maker.BytesOf(assets[file.AssetId], file))
        );
}
