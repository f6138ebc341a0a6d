using System.Security.Cryptography;
using System.Text;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Dates;
using Dekoro.Core.Documents;
using Dekoro.Core.Library;
using Dekoro.Core.Links;
using Dekoro.Core.Planning;
using Dekoro.Publishing;
using Dekoro.Storage;
using NodaTime;

namespace Dekoro.Server.Work;

/// <summary>What publishing would do to one page.</summary>
/// <param name="Change">new, changed, off (taken from the public site), same.</param>
/// <param name="Notices">Sentences about pieces of it.</param>
public sealed record PageChange(string Id, string Title, string Path, string Change, IReadOnlyList<string> Notices);

/// <param name="Done">Files made or written so far.</param>
/// <param name="Sentence">What is going on, or what came of it.</param>
public sealed record PublishProgress(int Done, int Of, string Sentence);

/// <param name="NextChange">The day on which it becomes another by itself; null for never.</param>
public sealed record Published(string Release, int Pages, int PicturesMade, int FilesWritten, int Files, long Bytes, string? NextChange);

/// <summary>Plans every public page, makes the files the plans ask for, renders, and puts the whole live in one step.</summary>
public sealed class Publisher(Workspace workspace, PlanBook book, RenditionMaker maker, Renderer renderer, LiveSite live, SiteClock days, TimeProvider clock)
{
    /// <summary>Name of the setting that holds which other files the public site was last made with.</summary>
    private const string PublishedFiles = "published-files";

    /// <summary>Name of the setting that holds what is about to go live: written before, taken out with what is recorded after.</summary>
    private const string GoingLive = "going-live";

    /// <summary>So far ahead, and so often, the public site becomes another by itself before it has to be published again.</summary>
    private const int MostDaysAhead = 400, MostChangesAhead = 60;

    private readonly SemaphoreSlim _one = new(1);

    /// <summary>
    /// Per page, what would change on the public site, pages first, then posts; and the addresses at which a file beside the pages comes,
    /// changes or goes.
    /// </summary>
    public (IReadOnlyList<PageChange> Pages, IReadOnlyList<string> OtherFiles) Changes()
    {
        var facts = book.Facts();
        var plans = PlansOf(book.PublicPages(), facts);
        var now = Contents(FilesBeside(plans, facts));
        var notices = plans.ToLookup(p => p.Page.Main.Id, p => p.Notices);
        var published = workspace.Settings.Get(PublishedFiles) is { } json ? Json.Read<Dictionary<string, string>>(json) : [];
        return (
            [
                .. workspace.Pages.All().Where(p => p.IsOn || p.Published is not null).Select(page => new PageChange(page.Id, page.Title, page.Path,
                    book.StateOf(page) switch { "off" => "off", "draft" => "new", "changed" => "changed", _ => "same" },
                    [.. notices[page.Id].SelectMany(n => n).DistinctBy(n => (n.BlockId, n.Sentence)).GroupBy(n => n.Sentence).Select(n => n.Count() > 1 ? $"{n.Key} ({n.Count()} pieces)" : n.Key)])),
            ],
            [.. now.Except(published).Concat(published.Except(now)).Select(f => f.Key).Distinct().Order(StringComparer.Ordinal)]);
    }

    /// <summary>What publishing would have to make: how many pictures need files that are not there, and how many files those are.</summary>
    public (int Pictures, int Files) NotMadeYet()
    {
        var facts = book.Facts();
        var plans = PlansOf(book.PublicPages(), facts);
        var assets = AssetsOf(plans);
        var byName = plans.SelectMany(p => p.Figures.Values).SelectMany(f => f.Files).Distinct().Where(file => !file.IsUnchanged)
            .Select(file => (Name: maker.NameOf(assets[file.AssetId], file), file.AssetId)).DistinctBy(f => f.Name).ToDictionary(f => f.Name, f => f.AssetId);
        var missing = maker.Missing(byName.Keys);
        return (missing.Select(name => byName[name]).Distinct().Count(), missing.Count);
    }

    /// <summary>A file beside the pages.</summary>
    /// <param name="Content">A name for what is in it: another where it has changed.</param>
    private sealed record BesideFile(string Address, string Content, Func<Task<string>> PathAsync);

    /// <summary>Other files that a public page links to or that have an address of their own, and pictures with an address of their own.</summary>
    private List<BesideFile> FilesBeside(IEnumerable<PagePlan> plans, PlanFacts facts)
    {
        var linked = plans.SelectMany(p => p.LinksOut).OfType<Link.File>().Select(l => l.FileId).ToHashSet();
        return
        [
            .. workspace.Downloads.All().Where(d => (linked.Contains(d.Id) || d.Facts.HasOwnAddress) && facts.Addresses.FileById.ContainsKey(d.Id))
                .Select(d => new BesideFile(facts.Addresses.FileById[d.Id].Address, d.Sha256, () => Task.FromResult(workspace.Files.PathOf(d.Sha256)))),
            .. workspace.Assets.WithOwnAddress().Select(a => (Asset: a, File: OwnAddress.FileOf(a.Facts)))
                .Select(p => new BesideFile(p.Asset.OwnAddress!, maker.NameOf(p.Asset, p.File),
                    () => p.File.IsUnchanged ? Task.FromResult(workspace.PathOf(p.Asset)) : maker.PlannedAsync(p.Asset, p.File))),
        ];
    }

    /// <summary>Addresses of arrangements that sites elsewhere show, each with a name for what is in it.</summary>
    private IEnumerable<(string Address, string Content)> ShownElsewhere() => book.ShownElsewhere()
        .Select(page => (page.Path, Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(ArrangementValues.Of(page.Document.Arrangements.Single().Arrangement!).Write())).AsSpan(0, 8))));

    /// <summary>Addresses beside the pages, those of arrangements that sites elsewhere show among them, each with a name for what is there.</summary>
    private Dictionary<string, string> Contents(IEnumerable<BesideFile> files) => files.Select(f => (f.Address, f.Content)).Concat(ShownElsewhere()).ToDictionary(f => f.Address, f => f.Content);

    /// <summary>What went live.</summary>
    /// <param name="Content">What each page was made from, by its id.</param>
    /// <param name="Beside">Addresses beside the pages, each with a name for what is there.</param>
    /// <param name="Job">Whose work it was; empty for nobody's.</param>
    private sealed record Going(Release Release, IReadOnlyDictionary<string, string> Content, IReadOnlyDictionary<string, string> Beside, string Job);

    /// <summary>Writes down what went live where a program that was ended in that very moment did not.</summary>
    /// <returns>The job that had come to its end; null for none.</returns>
    public string? FinishWhatWentLive()
    {
        if (workspace.Settings.Get(GoingLive) is not { } json) return null;
        var going = Json.Read<Going>(json);
        if (live.Release == going.Release.Folder)
        {
            Record(going);
            return going.Job;
        }
        workspace.Settings.Remove(GoingLive);
        return null;
    }

    private void Record(Going going) => workspace.Pages.MarkPublished(going.Content, clock.GetUtcNow(), c =>
    {
        Settings.Set(c, PublishedFiles, Json.Write(going.Beside));
        Releases.Add(c, going.Release);
        Settings.Remove(c, GoingLive);
    });

    /// <param name="job">Whose work it is; empty for nobody's.</param>
    public async Task<Published> PublishAsync(IProgress<PublishProgress> progress, CancellationToken stop, string job = "")
    {
        await _one.WaitAsync(stop);
        try
        {
            var rows = book.PublicPages();
            var content = rows.ToDictionary(r => r.Id, book.ContentOf);
            var pages = PagesOf(book, rows).ToList();
            var today = await BuildAsync(book, pages, progress, stop);
            var (files, made) = (today.Files, today.Made);
            var later = new List<LaterSite>();
            var ahead = ChangesAhead();
            foreach (var day in ahead)
            {
                // What is not dated is the same on every day.
                var on = book.On(day);
                var then = await BuildAsync(on, PagesOf(on, rows).Where(IsDated), progress, stop);
                made += then.Made;
                var standing = files.ExceptBy(pages.Where(IsDated).Select(FileNameOf), f => f.Key);
                later.Add(new(days.StartOf(day), standing.Concat(then.Files).DistinctBy(f => f.Key).ToDictionary()));
            }
            progress.Report(new(files.Count, files.Count, "Writing the pages."));
            var site = live.Write(files, later);
            stop.ThrowIfCancellationRequested();
            var going = new Going(new(site.Release, clock.GetUtcNow(), files.Count, files.Values.Sum(f => f.Bytes)), content, today.Beside, job);
            workspace.Settings.Set(GoingLive, Json.Write(going));
            live.Serve(site);
            Record(going);
            return new(site.Release, rows.Count, made, site.Written, files.Count, going.Release.Bytes, FirstOf(ahead));
        }
        finally
        {
            _one.Release();
        }
    }

    /// <summary>The whole site into a folder for any web server; files that are the same already are left alone.</summary>
    /// <returns>With the day on which it would become another by itself, which a folder cannot.</returns>
    public async Task<(int Written, int Files, string? NextChange)> ExportAsync(string folder, IProgress<PublishProgress> progress, CancellationToken stop)
    {
        var built = await BuildAsync(book, PagesOf(book, book.PublicPages()), progress, stop);
        return (StaticFolder.Export(folder, built.Files), built.Files.Count, FirstOf(ChangesAhead()));
    }

    /// <summary>Makes what the drafts ask for while nobody waits, so that publishing finds it there.</summary>
    public async Task PrepareAsync(CancellationToken stop)
    {
        var facts = book.Facts();
        var plans = PlansOf(book.PublicPages(), facts);
        await MakeAsync(plans, AssetsOf(plans), new Progress<PublishProgress>(), stop);
    }

    /// <summary>Days on which the public site becomes another by itself.</summary>
    public IReadOnlyList<LocalDate> ChangesAhead()
    {
        var today = days.Today;
        var dated = PagesOf(book, book.PublicPages()).SelectMany(p => p.Document.Sets).DistinctBy(a => a.Id);
        return [.. dated.SelectMany(a => a.ChangesWithin(today, today.PlusDays(MostDaysAhead))).Distinct().Order().Take(MostChangesAhead)];
    }

    /// <summary>What is to be known where the public site becomes another by itself.</summary>
    public static string AheadNote { get; } = $"What is more than {MostDaysAhead} days or {MostChangesAhead} changes ahead comes once you have published again.";

    private static string? FirstOf(IReadOnlyList<LocalDate> ahead) => ahead is [var first, ..] ? RunDates.Named(first) : null;

    private static IEnumerable<PageSource> PagesOf(PlanBook book, IEnumerable<PageRow> rows) => rows.Select(book.SourceOf).Concat(book.ShownElsewhere()).SelectMany(Sheets.Of);

    private static bool IsDated(PageSource page) => page.Main.Document.Sets.Any(a => a.Items.Any(i => i.Dates is not null));

    private static string FileNameOf(PageSource page) => page.Path.Length == 0 ? "index.html" : page.Path + "/index.html";

    private sealed record Built(SortedDictionary<string, SiteFile> Files, int Made, IReadOnlyDictionary<string, string> Beside);

    private async Task<Built> BuildAsync(PlanBook book, IEnumerable<PageSource> pages, IProgress<PublishProgress> progress, CancellationToken stop)
    {
        var facts = book.Facts();
        var plans = pages.Select(p => PagePlanner.Plan(p, facts)).ToList();
        var assets = AssetsOf(plans);
        var made = await MakeAsync(plans, assets, progress, stop, isThorough: true);
        var files = new SortedDictionary<string, SiteFile>(StringComparer.Ordinal);
        foreach (var picture in plans.SelectMany(p => p.Figures.Values).SelectMany(FilesToOffer).DistinctBy(f => (f.AssetId, maker.NameOf(assets[f.AssetId], f))).GroupBy(f => f.AssetId))
        {
            var asset = assets[picture.Key];
            var known = workspace.MadeFiles.FindMany([.. picture.Select(f => maker.NameOf(asset, f))]).ToDictionary(m => m.Name);
            // What each file is was written down when it was made, and was just read again to the end.
            foreach (var name in picture.Select(f => maker.NameOf(asset, f)))
                files["media/" + name] = known.TryGetValue(name, out var m) ? new(m.Sha256, m.Bytes, null, maker.PathOf(name)) : SiteFile.At(workspace.PathOf(asset));
        }
        var beside = FilesBeside(plans, facts);
        foreach (var file in beside) files[file.Address] = SiteFile.At(await file.PathAsync());
        var css = Encoding.UTF8.GetBytes(SiteCss.Write(new PageLayout(facts.Style)));
        files["assets/site.css"] = SiteFile.Of(css);
        files["assets/" + Publishing.Assets.SetsStyle] = SiteFile.Of(Publishing.Assets.Bytes(Publishing.Assets.SetsStyle));
        foreach (var script in Publishing.Assets.Scripts) files["assets/" + script] = SiteFile.Of(Publishing.Assets.Bytes(script));
        foreach (var font in Publishing.Assets.Fonts) files["assets/" + font] = SiteFile.Of(Publishing.Assets.Bytes(font));
        var (frame, version) = (book.Frame(), "?" + Convert.ToHexStringLower(SHA256.HashData(css).AsSpan(0, 4)));
        var addresses = new PlannedAddresses("media/", assets, maker, Offered);
        foreach (var plan in plans)
        {
            var html = await renderer.PageAsync(new PageModel(plan, frame, addresses, PageModel.RootOf(plan.Page.Path), IsProof: false), version);
            files[FileNameOf(plan.Page)] = SiteFile.Of(Encoding.UTF8.GetBytes(html));
        }
        foreach (var (path, pageId) in workspace.Pages.OldAddresses())
        {
            // An address that another page has taken since is that page's.
            if (plans.Find(p => p.Page.Id == pageId) is not { } plan || files.ContainsKey(path + "/index.html")) continue;
            files[path + "/index.html"] = SiteFile.Of(Encoding.UTF8.GetBytes(await renderer.MovedAsync(frame, plan.Page, PageModel.RootOf(path))));
        }
        return new(files, made, Contents(beside));

        IEnumerable<PlannedFile> FilesToOffer(FigurePlan figure) =>
            figure.Cuts.SelectMany(cut => Offered(cut).SelectMany(cut.FilesIn)).Concat(figure.LargeFile is null ? [] : [figure.LargeFile]);

        // In order of gain: the lightest first; what is no lighter than the format every browser reads is left out.
        IEnumerable<OutputFormat> Offered(PlannedCut cut)
        {
            var bytes = cut.Formats.ToDictionary(f => f, f => cut.FilesIn(f).Sum(file => maker.BytesOf(assets[file.AssetId], file)));
            var last = cut.Formats[^1];
            return cut.Formats.Where(f => f == last || bytes[f] < bytes[last]).OrderBy(f => f == last).ThenBy(f => bytes[f]);
        }
    }

    private async Task<int> MakeAsync(
        List<PagePlan> plans, IReadOnlyDictionary<string, Asset> assets, IProgress<PublishProgress> progress, CancellationToken stop, bool isThorough = false)
    {
        var ladders = plans.SelectMany(p => p.Figures.Values).SelectMany(f => f.Files).Distinct().ToLookup(f => (f.AssetId, f.Cut));
        var (made, done, all) = (0, 0, ladders.Sum(l => l.Count()));
        foreach (var ladder in ladders)
        {
            stop.ThrowIfCancellationRequested();
            progress.Report(new(done, all, $"Making the files of {assets[ladder.Key.AssetId].Facts.Words.Title}."));
            made += await maker.LadderAsync(assets[ladder.Key.AssetId], ladder.Key.Cut, [.. ladder], stop, isThorough);
            done += ladder.Count();
        }
        return made;
    }

    private List<PagePlan> PlansOf(IEnumerable<PageRow> rows, PlanFacts facts) => [.. PagesOf(book, rows).Select(p => PagePlanner.Plan(p, facts))];

    private Dictionary<string, Asset> AssetsOf(IEnumerable<PagePlan> plans) =>
        workspace.Assets.FindMany([.. plans.SelectMany(p => p.Assets).Distinct()]).ToDictionary(a => a.Id);
}
