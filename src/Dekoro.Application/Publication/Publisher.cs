using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Delivery;
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
    private static readonly Func<OutputFormat, bool> All = _ => true,
        AtOnce = format => !FormatOrder.JoinsLater(format);

    /// <summary>Name of the setting that holds which other files the public site was last made with.</summary>
    internal const string PublishedFiles = "published-files";

    /// <summary>Name of the setting that holds the menu and the list of posts that visitors have.</summary>
    internal const string PublishedMenu = "published-menu";

    /// <summary>
    /// Name of the setting that holds what is about to go live: written before, taken out with what is recorded after.
    /// </summary>
    private const string GoingLive = "going-live";

    /// <summary>So many pages have their files made ahead at a time.</summary>
    private const int AtATime = 16;

    private readonly SemaphoreSlim _one = new(1);

    /// <summary>What went live.</summary>
    /// <param name="Content">What each page that is another was made from, by its id; null where no page is.</param>
    /// <param name="Beside">Addresses beside the pages, each with a name for what is there.</param>
    /// <param name="Job">Whose work it was; empty for nobody's.</param>
    /// <param name="Menu">What of pages stands round others; null where that is as it was.</param>
    private sealed record Going(
        Release Release,
        IReadOnlyDictionary<string, string>? Content,
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
            Settings.SetWhereOther(c, PublishedFiles, Json.Write(going.Beside));
            if (going.Menu is { } menu)
                Settings.SetWhereOther(c, PublishedMenu, Json.Write(menu));
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
            // All of one moment, whatever is typed while it is worked on.
            var now = planning.Moment;
            var ahead = changes.Ahead();
            var then = ahead.Select(now.On).ToList();
            var content = now.ChangedContent();
            var round = changes.IsRoundTheSame(now.Round) ? null : now.Round;
            var known = live.Known();
            var today = await builder.BuildAsync(now, known, live.Keep, AtOnce, progress, stop);
            var (later, madeLater) = await LaterAsync(ahead, then, known.With(today.ByKey), progress, stop);
            progress.Report(new(1, 1, "Writing the list of all files."));
            var written = live.Write(today.Parts, later);
            stop.ThrowIfCancellationRequested();
            var release = new Release(written.Release, clock.GetUtcNow(), written.Files, written.Bytes);
            var result = new Published(
                written.Release,
                now.Site.Pages.Count(p => p.IsPublic),
                today.Made + madeLater,
                written.Written,
                written.Files,
                release.Bytes,
                SiteChanges.FirstOf(ahead),
                today.Awaited
            );
            GoLive(written, new(release, content, today.Beside, job, round), Job.Done(job, result));
            return result;
        }
        finally
        {
            _one.Release();
        }
    }

    /// <summary>
    /// Pages that went public without their slowest files, or of which something was damaged since, and that are still
    /// written as they were then: public again whole, by themselves. What was changed meanwhile waits for a person.
    /// </summary>
    /// <returns>How many pages that were.</returns>
    public async Task<int> JoinAsync(CancellationToken stop)
    {
        await _one.WaitAsync(stop);
        try
        {
            // Written without what was in damaged lists the site would be whole again, and lack it.
            if (live.IsUnreadable)
                return 0;
            var joined = 0;
            var line = new List<LaterSite>();
            foreach (var shown in live.Line)
            {
                var on = shown.From == DateTimeOffset.MinValue ? planning : planning.On(days.DayOf(shown.From));
                var parts = await builder.JoinAsync(on.Moment, shown, live.Keep, stop);
                line.Add(
                    shown with
                    {
                        Parts = [.. shown.Parts.Select(p => parts.GetValueOrDefault(p.Key, p))],
                        Damaged = [.. shown.Damaged.Except(parts.Keys)],
                    }
                );
                joined += parts.Count;
            }
            if (joined == 0)
                return 0;
            var site = live.Write(line);
            workspace.Settings.Set(GoingLive, Json.Write(Joining(site)));
            live.Serve(site);
            FinishWhatWentLive();
            return joined;
        }
        finally
        {
            _one.Release();
        }
    }

    // Of pages and what stands beside them nothing is another: only the release is.
    private Going Joining(WrittenSite site) =>
        new(
            new Release(site.Release, clock.GetUtcNow(), site.Files, site.Bytes),
            null,
            workspace.Settings.Get(PublishedFiles) is { } json ? Json.Read<Dictionary<string, string>>(json) : [],
            ""
        );

    private void GoLive(WrittenSite site, Going going, Job done)
    {
        if (live.IsServed(site))
        {
            // Visitors meet just this already: that it is so is all there is to write down.
            Record(going, done);
            return;
        }
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
        IReadOnlyList<SiteMoment> moments,
        KnownParts known,
        IProgress<PublishProgress> progress,
        CancellationToken stop
    )
    {
        var (later, made) = (new List<LaterSite>(), 0);
        foreach (var (day, moment) in ahead.Zip(moments))
        {
            var then = await builder.BuildAsync(moment, known, live.Keep, AtOnce, progress, stop);
            made += then.Made;
            known.With(then.ByKey);
            later.Add(new(days.StartOf(day), then.Parts));
        }
        return (later, made);
    }

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
        var files = new Dictionary<string, SiteFile>(StringComparer.Ordinal);
        await builder.BuildAsync(planning.Moment, KnownParts.None, Taken, All, progress, stop);
        return (StaticFolder.Export(folder, files), files.Count, SiteChanges.FirstOf(changes.Ahead()));

        KeptPart Taken(SitePart part)
        {
            lock (files)
            {
                foreach (var (address, file) in part.Files)
                    files[address] = file;
            }
            return new(part.Key, part.Fingerprint, part.IsAwaited, "");
        }
    }

    /// <summary>
    /// Takes away what no kept release names, between publishings: one that runs may be about to name it again.
    /// </summary>
    public async Task SweepAsync(CancellationToken stop)
    {
        await _one.WaitAsync(stop);
        try
        {
            live.Sweep(DateTime.UtcNow.AddDays(-1));
        }
        finally
        {
            _one.Release();
        }
    }

    /// <summary>What was found damaged is made again, and the pages it was on are whole again.</summary>
    public async Task MendAsync(CancellationToken stop)
    {
        builder.LookAgain();
        await PrepareAsync(stop);
        await JoinAsync(stop);
    }

    /// <summary>
    /// Makes what drafts ask for that were touched since, while nobody waits, so that publishing finds it there.
    /// </summary>
    public async Task PrepareAsync(CancellationToken stop)
    {
        var moment = planning.Moment;
        foreach (var some in moment.Digests.Where(d => !builder.IsPrepared(d)).Chunk(AtATime))
            await builder.PrepareAsync(moment, some, stop);
    }
}
