using System.Collections.Concurrent;
using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Publication;
using Dekoro.Publishing;
using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <summary>
/// Makes the parts of a site: plans, makes files and writes pages of what has another fingerprint than before, and of
/// nothing else.
/// </summary>
public sealed class SiteBuilder(
    Workspace workspace,
    RenditionMaker maker,
    Renderer renderer,
    FilesBeside beside,
    IiifFiles iiif
)
{
    /// <summary>So many pages are planned and written at a time: what is held for them is bounded.</summary>
    private const int AtATime = 32;

    /// <summary>Of each page the fingerprint for which all files were there.</summary>
    private readonly ConcurrentDictionary<string, string> _prepared = new();

    private SiteRound? _round;

    private SiteRound RoundOf(KnownSite site) => _round = SiteRound.Of(site, _round);

    internal static string FileNameOf(string path) => path.Length == 0 ? "index.html" : path + "/index.html";

    /// <param name="known">Parts that need not be made, by key and fingerprint.</param>
    /// <param name="keep">Given each part that was made.</param>
    /// <param name="wanted">
    /// Formats that are waited for; others are taken where they are there, and the part is awaited where they are not.
    /// </param>
    internal async Task<BuiltSite> BuildAsync(
        SiteMoment moment,
        KnownParts known,
        Func<SitePart, KeptPart> keep,
        Func<OutputFormat, bool> wanted,
        IProgress<PublishProgress> progress,
        CancellationToken stop
    )
    {
        var (site, round) = (moment.Site, RoundOf(moment.Site));
        var (parts, due) = (new List<KeptPart>(), new List<DuePage>());
        var linked = new HashSet<string>(StringComparer.Ordinal);
        foreach (var digest in moment.Digests)
        {
            linked.UnionWith(digest.FileIds);
            var page = new DuePage(digest.Page, round.FingerprintOf(digest));
            if (known.Find(page.Key, page.Fingerprint) is { } part)
                parts.Add(part);
            else
                due.Add(page);
        }
        var (made, done) = (0, 0);
        progress.Report(new(0, Math.Max(1, due.Count), "Looking at what has changed."));
        foreach (var some in due.Chunk(AtATime))
        {
            var writing = new PagesWriting(workspace, maker, renderer, moment, round);
            made += await writing.MakeAsync(some, wanted, new Part(progress, done, some.Length, due.Count), stop);
            parts.AddRange((await writing.WriteAsync(stop)).AsParallel().AsOrdered().Select(keep));
            done += some.Length;
            progress.Report(new(done, due.Count, "Writing the pages."));
        }
        var others = beside.Of(linked, site);
        await AddAsync("assets", round.AssetsMark, () => Task.FromResult(round.Assets()));
        await AddAsync("files", FilesBeside.MarkOf(others), () => FilesBeside.FilesOf(others));
        var moved = MovedOf(site);
        await AddAsync("moved", MarkOf(moved, round), () => FilesOf(moved, round));
        var viewed = iiif.Of(site);
        foreach (var part in viewed)
        {
            progress.Report(new(1, 1, "Writing what viewers of other houses read."));
            await AddAsync(part.Key, part.Fingerprint, () => part.FilesAsync(stop));
        }
        return new(parts, made, FilesBeside.ContentsOf(others, viewed, site), parts.Count(p => p.IsAwaited));

        async Task AddAsync(string key, string print, Func<Task<IReadOnlyDictionary<string, SiteFile>>> files) =>
            parts.Add(known.Find(key, print) ?? keep(new(key, print, false, await files())));
    }

    /// <summary>Addresses that pages had before and no page has since, each with its page.</summary>
    private List<(string Path, ResolvedPage Page)> MovedOf(KnownSite site)
    {
        var before = workspace.Pages.OldAddresses();
        var taken =
            before.Count == 0
                ? []
                : site.Public.SelectMany(p => p.Sheets).Select(s => s.Path).ToHashSet(StringComparer.Ordinal);
        return
        [
            .. before
                .Where(old =>
                    !taken.Contains(old.Path) && site.ById.GetValueOrDefault(old.PageId) is { IsPublic: true }
                )
                .Select(old => (old.Path, site.ById[old.PageId].Page)),
        ];
    }

    private static string MarkOf(List<(string Path, ResolvedPage Page)> moved, SiteRound round) =>
        PageFingerprint.HashOf(
            moved
                .SelectMany(m => new[] { m.Path, m.Page.Path, m.Page.Title })
                .Append(round.MenuMark)
                .Append(SiteRound.Program)
        );

    private async Task<IReadOnlyDictionary<string, SiteFile>> FilesOf(
        List<(string Path, ResolvedPage Page)> moved,
        SiteRound round
    )
    {
        var files = new Dictionary<string, SiteFile>(StringComparer.Ordinal);
        foreach (var (path, page) in moved)
        {
            var html = await renderer.MovedAsync(round.Frame, page, PageModel.RootOf(path));
            files[FileNameOf(path)] = SiteFile.Of(Encoding.UTF8.GetBytes(html));
        }
        return files;
    }

    /// <summary>
    /// Parts of a site that lacked files when they were written, or were damaged since, written anew where nothing else
    /// of them has changed and the files are there now.
    /// </summary>
    /// <returns>Those that are, by their keys.</returns>
    internal async Task<IReadOnlyDictionary<string, KeptPart>> JoinAsync(
        SiteMoment moment,
        LaterSite shown,
        Func<SitePart, KeptPart> keep,
        CancellationToken stop
    )
    {
        var damaged = shown.Damaged.ToHashSet(StringComparer.Ordinal);
        var lacking = shown.Parts.Where(p => p.IsAwaited || damaged.Contains(p.Key)).ToDictionary(p => p.Key);
        var joined = new Dictionary<string, KeptPart>(StringComparer.Ordinal);
        if (lacking.Count == 0)
            return joined;
        var round = RoundOf(moment.Site);
        var due = moment
            .Digests.Select(d => new DuePage(d.Page, round.FingerprintOf(d)))
            .Where(p => lacking.GetValueOrDefault(p.Key)?.Fingerprint == p.Fingerprint);
        foreach (var some in due.Chunk(AtATime))
        {
            var writing = new PagesWriting(workspace, maker, renderer, moment, round);
            // What is awaited is made while nobody waits for this: here only what was damaged.
            await writing.MakeAsync(some, f => !FormatOrder.JoinsLater(f), new Progress<PublishProgress>(), stop);
            foreach (var part in (await writing.WriteAsync(stop)).Where(p => !p.IsAwaited || damaged.Contains(p.Key)))
                joined[part.Key] = keep(part);
        }
        return joined;
    }

    /// <summary>What was there may be there no more.</summary>
    internal void LookAgain() => _prepared.Clear();

    /// <summary>Makes what some pages ask for and is not there, in all formats.</summary>
    internal async Task PrepareAsync(SiteMoment moment, IReadOnlyCollection<PageDigest> pages, CancellationToken stop)
    {
        var due = pages.Select(d => new DuePage(d.Page, "")).ToList();
        await Writing(moment).MakeAsync(due, _ => true, new Progress<PublishProgress>(), stop);
        foreach (var digest in pages)
            _prepared[digest.Page.Page.Id] = digest.Fingerprint;
    }

    /// <summary>Whether all files of a page as it is now were there when that was last looked at.</summary>
    internal bool IsPrepared(PageDigest page) => _prepared.GetValueOrDefault(page.Page.Page.Id) == page.Fingerprint;

    /// <summary>What some pages ask for and is not there, of what publishing waits for.</summary>
    internal ILookup<(Asset Asset, Cut Cut), PlannedFile> NotMadeYet(
        SiteMoment moment,
        IReadOnlyCollection<PageDigest> pages
    )
    {
        var writing = Writing(moment);
        writing.Plan([.. pages.Select(d => new DuePage(d.Page, ""))], CancellationToken.None);
        return writing.Missing(format => !FormatOrder.JoinsLater(format));
    }

    private PagesWriting Writing(SiteMoment moment) => new(workspace, maker, renderer, moment, RoundOf(moment.Site));

    /// <summary>Tells how far some pages of many are, as a share of all.</summary>
    private sealed class Part(IProgress<PublishProgress> whole, int done, int pages, int all)
        : IProgress<PublishProgress>
    {
        private const int Steps = 100;

        public void Report(PublishProgress value) =>
            whole.Report(
                new(done * Steps + pages * Steps * value.Done / Math.Max(1, value.Of), all * Steps, value.Sentence)
            );
    }
}
