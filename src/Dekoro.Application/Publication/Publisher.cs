using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Layout;
using Dekoro.Core.Publication;
using Dekoro.Storage;
using NodaTime;

namespace Dekoro.Application.Publication;

/// <summary>
/// Plans every public page, makes the files the plans ask for, renders, and puts the whole live in one step.
/// </summary>
public sealed class Publisher(
    Workspace workspace,
    PlanningContext planning,
    SiteBuilder builder,
    SiteChanges changes,
    LiveSite live,
    SiteCalendar days,
    TimeProvider clock
)
{
    /// <summary>Name of the setting that holds which other files the public site was last made with.</summary>
    internal const string PublishedFiles = "published-files";

    /// <summary>Name of the setting that holds the menu and the list of posts that visitors have.</summary>
    internal const string PublishedMenu = "published-menu";

    /// <summary>
    /// Name of the setting that holds what is about to go live: written before, taken out with what is recorded after.
    /// </summary>
    private const string GoingLive = "going-live";

    private readonly SemaphoreSlim _one = new(1);

    /// <summary>What went live.</summary>
    /// <param name="Content">What each page was made from, by its id.</param>
    /// <param name="Beside">Addresses beside the pages, each with a name for what is there.</param>
    /// <param name="Job">Whose work it was; empty for nobody's.</param>
    /// <param name="Menu">What of pages stands round others; null where an earlier version wrote it.</param>
    private sealed record Going(
        Release Release,
        IReadOnlyDictionary<string, string> Content,
        IReadOnlyDictionary<string, string> Beside,
        string Job,
        RoundPages? Menu = null
    );

    /// <summary>
    /// Writes down what went live where a program that was ended in that very moment did not, and ends its job.
    /// </summary>
    public void FinishWhatWentLive()
    {
        if (workspace.Settings.Get(GoingLive) is not { } json)
            return;
        var going = Json.Read<Going>(json);
        if (live.HasGoneLive(going.Release.Folder))
            Record(
                going,
                Job.Public(
                    going.Job,
                    "The site is public. Dekoro was stopped in that very moment, and has written it down now."
                )
            );
        else
            workspace.Settings.Remove(GoingLive);
    }

    /// <summary>In one piece with the end of its job: no start finds the one without the other.</summary>
    private void Record(Going going, Job ended)
    {
        var now = clock.GetUtcNow();
        workspace.Pages.MarkPublished(going.Content, now, c =>
        {
            Settings.Set(c, PublishedFiles, Json.Write(going.Beside));
            if (going.Menu is { } menu)
                Settings.Set(c, PublishedMenu, Json.Write(menu));
            Releases.Add(c, going.Release);
            Settings.Remove(c, GoingLive);
            Jobs.Change(c, ended.Stored(now), now);
        });
    }

    /// <param name="job">Whose work it is; empty for nobody's.</param>
    /// <exception cref="NotRecordedException">The site is public; the next start writes it down.</exception>
    public async Task<Published> PublishAsync(
        IProgress<PublishProgress> progress,
        CancellationToken stop,
        string job = ""
    )
    {
        await _one.WaitAsync(stop);
        try
        {
            // What went live before and could not be written down then comes first.
            FinishWhatWentLive();
            var rows = planning.PublicPages();
            var content = rows.ToDictionary(r => r.Id, planning.ContentOf);
            var round = planning.Round();
            var pages = SiteBuilder.PagesOf(planning, rows).ToList();
            var today = await builder.BuildAsync(planning, pages, progress, stop);
            var ahead = changes.Ahead();
            var (later, madeLater) = await LaterAsync(ahead, rows, pages, today, progress, stop);
            var files = today.Files;
            progress.Report(new(files.Count, files.Count, "Writing the pages."));
            var site = live.Write(files, later);
            stop.ThrowIfCancellationRequested();
            var release = new Release(site.Release, clock.GetUtcNow(), files.Count, files.Values.Sum(f => f.Bytes));
            var result = new Published(
                site.Release,
                rows.Count,
                today.Made + madeLater,
                site.Written,
                files.Count,
                release.Bytes,
                SiteChanges.FirstOf(ahead)
            );
            GoLive(site, new(release, content, today.Beside, job, round), Job.Done(job, result));
            return result;
        }
        finally
        {
            _one.Release();
        }
    }

    private void GoLive(WrittenSite site, Going going, Job done)
    {
        workspace.Settings.Set(GoingLive, Json.Write(going));
        live.Serve(site);
        try
        {
            Record(going, done);
        }
        catch (Exception e)
        {
            // Nothing that happens here makes the site less public.
            throw new NotRecordedException(e);
        }
    }

    /// <summary>
    /// The site as it becomes by itself on each day ahead: what is not dated is the same on every day.
    /// </summary>
    private async Task<(IReadOnlyList<LaterSite> Sites, int Made)> LaterAsync(
        IReadOnlyList<LocalDate> ahead,
        IReadOnlyList<PageRow> rows,
        List<ResolvedPage> pages,
        BuiltSite today,
        IProgress<PublishProgress> progress,
        CancellationToken stop
    )
    {
        var (later, made) = (new List<LaterSite>(), 0);
        var standing = today.Files.ExceptBy(pages.Where(IsDated).Select(SiteBuilder.FileNameOf), f => f.Key).ToList();
        foreach (var day in ahead)
        {
            var on = planning.On(day);
            var dated = SiteBuilder.PagesOf(on, rows).Where(IsDated);
            var then = await builder.BuildAsync(on, dated, progress, stop);
            made += then.Made;
            later.Add(new(days.StartOf(day), standing.Concat(then.Files).DistinctBy(f => f.Key).ToDictionary()));
        }
        return (later, made);
    }

    private static bool IsDated(ResolvedPage page) =>
        ResolvedBlocks.SetsOf(page.Main.Document).Any(a => a.Items.Any(i => i.Dates is not null));

    /// <summary>
    /// The whole site into a folder for any web server; files that are the same already are left alone.
    /// </summary>
    /// <returns>With the day on which it would become another by itself, which a folder cannot.</returns>
    public async Task<(int Written, int Files, string? NextChange)> ExportAsync(
        string folder,
        IProgress<PublishProgress> progress,
        CancellationToken stop
    )
    {
        var built = await builder.BuildAsync(
            planning,
            SiteBuilder.PagesOf(planning, planning.PublicPages()),
            progress,
            stop
        );
        return (StaticFolder.Export(folder, built.Files), built.Files.Count, SiteChanges.FirstOf(changes.Ahead()));
    }

    /// <summary>Makes what the drafts ask for while nobody waits, so that publishing finds it there.</summary>
    public async Task PrepareAsync(CancellationToken stop)
    {
        var plans = SiteBuilder.PlansOf(SiteBuilder.PagesOf(planning, planning.PublicPages()), planning.Facts());
        await builder.MakeAsync(plans, builder.AssetsOf(plans), new Progress<PublishProgress>(), stop);
    }
}
