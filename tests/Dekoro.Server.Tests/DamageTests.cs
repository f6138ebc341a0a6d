using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Pictures;
using Dekoro.Application.Publication;
using Dekoro.Application.Trash;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace Dekoro.Server.Tests;

/// <summary>Things that were lost or damaged on the disk, and what the next start makes of it.</summary>
public sealed class DamageTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("dekoro-damage").FullName;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Theory]
    [InlineData("missing")]
    [InlineData("empty")]
    public async Task Without_its_database_a_data_folder_is_not_opened_no_original_goes_and_recover_brings_them_back(
        string how
    )
    {
        await WithAsync(async app => (await TakeAsync(app, "line-reel.jpg"), await TakeAsync(app, "two-lanterns.jpg")));
        var before = Originals();
        SqliteConnection.ClearAllPools();
        foreach (var file in Directory.GetFiles(_folder, "dekoro.db*"))
            File.Delete(file);
        if (how == "empty")
            File.WriteAllText(In("dekoro.db"), "");
        var refused = Assert.Throws<RefusedDataException>(() =>
            new Workspace(new DataOptions(_folder, null, null), TimeProvider.System, DiskLayer.Instance)
        );
        Assert.Contains(
            $"dekoro.db is {how}, but 2 originals lie beside it",
            refused.Message,
            StringComparison.Ordinal
        );
        Assert.Contains("dekoro restore", refused.Message, StringComparison.Ordinal);
        Assert.Equal(before, Originals());
        Assert.Equal(0, await Commands.RunAsync(["recover", "--data", _folder]));
        Assert.Equal(before, Originals());
        Assert.Equal(
            2,
            await WithAsync(app => Task.FromResult((int)app.Services.GetRequiredService<Workspace>().Assets.Count()))
        );
        // It is for a lost database alone.
        Assert.Equal(1, await Commands.RunAsync(["recover", "--data", _folder]));
    }

    [Fact]
    public async Task What_a_database_of_last_week_does_not_name_waits_in_quarantine_is_seen_and_comes_back()
    {
        await WithAsync(async app => await TakeAsync(app, "line-reel.jpg"));
        SqliteConnection.ClearAllPools();
        Database.CopyTo(In("dekoro.db"), In("last-week.db"));
        await WithAsync(async app => await TakeAsync(app, "two-lanterns.jpg"));
        SqliteConnection.ClearAllPools();
        foreach (var file in Directory.GetFiles(_folder, "dekoro.db*"))
            File.Delete(file);
        File.Move(In("last-week.db"), In("dekoro.db"));
        await WithAsync(async app =>
        {
            var http = Client(app);
            var listed = (await http.GetFromJsonAsync<JsonObject>("/api/quarantine", Stop))!["files"]!.AsArray();
            var name = (string)Assert.Single(listed)!["name"]!;
            Assert.Equal(
                "image/webp",
                (await http.GetAsync($"/api/quarantine/{name}/picture", Stop)).Content.Headers.ContentType!.MediaType
            );
            // The daily work of a start takes nothing of it.
            Assert.Equal(0, app.Services.GetRequiredService<TrashPurge>().RemoveWhatHasWaited());
            (await http.PostAsync($"/api/quarantine/{name}/restore", null, Stop)).EnsureSuccessStatusCode();
            Assert.Equal(2, app.Services.GetRequiredService<Workspace>().Assets.Count());
            Assert.Empty(app.Services.GetRequiredService<Workspace>().Quarantine.All());
            return 0;
        });
    }

    [Theory]
    [InlineData("current", "")]
    [InlineData("current", "\0\0\0\0\0\0\0\0")]
    [InlineData("current", "../../etc 2026")]
    [InlineData("current", "no-such-release\n")]
    [InlineData("page", "")]
    [InlineData("picture", "")]
    public async Task A_file_of_the_site_that_was_cut_off_neither_hides_it_nor_keeps_the_program_from_starting(
        string what,
        string content
    )
    {
        await WithAsync(async app =>
        {
            var id = await TakeAsync(app, "line-reel.jpg");
            var workspace = app.Services.GetRequiredService<Workspace>();
            Page(workspace, id);
            return await app
                .Services.GetRequiredService<Publisher>()
                .PublishAsync(new Progress<PublishProgress>(), Stop);
        });
        var damaged = await WithAsync(app =>
        {
            var live = app.Services.GetRequiredService<LiveSite>();
            return Task.FromResult(
                what switch
                {
                    "current" => In("live/current"),
                    "page" => live.PathOf("index.html")!,
                    _ => live.PathOf("media/" + live.MediaNames.First())!,
                }
            );
        });
        File.WriteAllText(damaged, content);
        await WithAsync(async app =>
        {
            var live = app.Services.GetRequiredService<LiveSite>();
            Assert.True(live.IsThere);
            // A page is mended from its spare before anybody meets it; a picture's file is made anew in quiet.
            Assert.NotEqual(0, new FileInfo(live.PathOf("index.html")!).Length);
            Assert.Equal(what == "current", live.Damage.Length > 0);
            Assert.Equal(what == "picture", live.MediaNames.Any(name => live.PathOf("media/" + name) is null));
            // As the daily work of a start does, which may have come first.
            live.Verify(isThorough: true);
            await app.Services.GetRequiredService<Publisher>().JoinAsync(Stop);
            Assert.All(live.MediaNames, name => Assert.NotEqual(0, new FileInfo(live.PathOf("media/" + name)!).Length));
            // A site that is whole is not said to be damaged because it was looked at.
            Assert.Equal((0, what == "current"), (live.Verify(isThorough: true).Count, live.Damage.Length > 0));
            await app.Services.GetRequiredService<Publisher>().PublishAsync(new Progress<PublishProgress>(), Stop);
            Assert.Equal("", live.Damage);
            return 0;
        });
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task A_page_that_was_damaged_twice_is_found_and_comes_with_the_next_publishing(bool isCutOff)
    {
        var (id, whole) = (await WithAsync(app => TakeAsync(app, "line-reel.jpg")), "");
        await WithAsync(async app =>
        {
            Page(app.Services.GetRequiredService<Workspace>(), id);
            await app.Services.GetRequiredService<Publisher>().PublishAsync(new Progress<PublishProgress>(), Stop);
            var path = app.Services.GetRequiredService<LiveSite>().PathOf("index.html")!;
            whole = File.ReadAllText(path);
            foreach (var file in Directory.GetFiles(In("live"), Path.GetFileName(path), SearchOption.AllDirectories))
                File.WriteAllText(file, isCutOff ? "" : whole.Replace("html", "htnl", StringComparison.Ordinal));
            return 0;
        });
        await WithAsync(async app =>
        {
            var live = app.Services.GetRequiredService<LiveSite>();
            Assert.Equal(isCutOff, live.PathOf("index.html") is null);
            Assert.Equal(["index.html"], live.Verify(isThorough: true));
            Assert.Contains("publish to make all of it anew", live.Damage, StringComparison.Ordinal);
            await app.Services.GetRequiredService<Publisher>().PublishAsync(new Progress<PublishProgress>(), Stop);
            Assert.Equal(whole, File.ReadAllText(live.PathOf("index.html")!));
            Assert.Equal((0, ""), (live.Verify(isThorough: true).Count, live.Damage));
            return 0;
        });
    }

    [Fact]
    public async Task What_was_found_damaged_is_not_forgotten_when_another_page_is_joined_by_its_files()
    {
        await WithReelAsync(
            async (workspace, publisher, live, _) =>
            {
                workspace.Pages.Add("q", "page", new("Q", "q", "", Empty), DateTimeOffset.UtcNow);
                Assert.Equal(1, (await publisher.PublishAsync(new Progress<PublishProgress>(), Stop)).Awaited);
                var path = live.PathOf("q/index.html")!;
                foreach (
                    var file in Directory.GetFiles(In("live"), Path.GetFileName(path), SearchOption.AllDirectories)
                )
                    File.WriteAllText(file, "");
                var q = workspace.Pages.Find("q")!;
                workspace.Pages.SaveDraft(
                    "q",
                    q.Version,
                    new("Q", "q", "Typed since.", Empty),
                    new("Ana", DateTimeOffset.UtcNow)
                );
                Assert.Equal(["q/index.html"], live.Verify(isThorough: true));
                await publisher.PrepareAsync(Stop);
                Assert.Equal(1, await publisher.JoinAsync(Stop));
                Assert.NotEqual("", live.Damage);
                await publisher.PublishAsync(new Progress<PublishProgress>(), Stop);
                Assert.Equal((0, ""), (live.Verify(isThorough: true).Count, live.Damage));
                Assert.NotNull(live.PathOf("q/index.html"));
                return 0;
            }
        );
    }

    private sealed class AtOnce(Action<PublishProgress> report) : IProgress<PublishProgress>
    {
        public void Report(PublishProgress value) => report(value);
    }

    [Fact]
    public async Task Files_that_are_made_ahead_while_a_publishing_is_about_to_make_them_are_no_surprise_to_it()
    {
        await WithReelAsync(
            async (_, publisher, live, _) =>
            {
                var making = 0;
                await publisher.PublishAsync(
                    new AtOnce(p =>
                    {
                        if (p.Sentence.StartsWith("Making the files", StringComparison.Ordinal) && making++ == 0)
                            publisher.PrepareAsync(Stop).GetAwaiter().GetResult();
                    }),
                    Stop
                );
                Assert.Equal(1, making);
                Assert.NotNull(live.PathOf("index.html"));
                return 0;
            }
        );
    }

    [Fact]
    public async Task A_made_file_that_was_damaged_is_made_anew_at_the_latest_by_the_daily_round_and_publishing()
    {
        await WithAsync(async app =>
        {
            var (id, workspace, publisher) = (
                await TakeAsync(app, "line-reel.jpg"),
                app.Services.GetRequiredService<Workspace>(),
                app.Services.GetRequiredService<Publisher>()
            );
            Page(workspace, id);
            await publisher.PublishAsync(new Progress<PublishProgress>(), Stop);
            Assert.Equal(0, (await publisher.PublishAsync(new Progress<PublishProgress>(), Stop)).PicturesMade);
            var made = Directory.EnumerateFiles(In("renditions"), "*.webp", SearchOption.AllDirectories).First();
            var whole = File.ReadAllBytes(made);
            File.WriteAllText(made, "");
            await LookedOverAsync();
            Assert.Equal(whole, File.ReadAllBytes(made));
            var other = whole.ToArray();
            other[^9] ^= 0xff;
            File.WriteAllBytes(made, other);
            await LookedOverAsync();
            Assert.Equal(whole, File.ReadAllBytes(made));
            // A proof is looked at by its length each time.
            var proof = await app
                .Services.GetRequiredService<RenditionMaker>()
                .ProofAsync(
                    workspace.Assets.Find(id)!,
                    Core.Geometry.Cut.Whole(workspace.Assets.Find(id)!.Facts.Size),
                    160
                );
            File.WriteAllText(proof, "");
            Assert.Equal(
                System.Net.HttpStatusCode.OK,
                (await Client(app).GetAsync($"/media/proof/{id}/whole/160", Stop)).StatusCode
            );
            Assert.NotEqual(0, new FileInfo(proof).Length);
            return 0;

            async Task LookedOverAsync()
            {
                Assert.Single(app.Services.GetRequiredService<LiveSite>().Verify(isThorough: true));
                Assert.Equal(1, (await publisher.PublishAsync(new Progress<PublishProgress>(), Stop)).PicturesMade);
            }
        });
    }

    [Fact]
    public async Task A_publishing_that_was_ended_is_gone_on_with_once_at_the_next_start()
    {
        var id = await WithAsync(app => TakeAsync(app, "line-reel.jpg"));
        await WithAsync(app =>
        {
            var workspace = app.Services.GetRequiredService<Workspace>();
            Page(workspace, id);
            foreach (var job in new[] { "earlier", "last" })
                workspace.Jobs.Begin(
                    new(job, "running", "{\"done\":3,\"of\":9,\"sentence\":\"Making.\"}", null, DateTimeOffset.UtcNow)
                );
            return Task.FromResult(0);
        });
        await WithAsync(async app =>
        {
            var jobs = app.Services.GetRequiredService<PublishJobs>();
            jobs.GoOnWithWhatWasRunning();
            Assert.Equal("failed", jobs.Find("earlier")!.State);
            while (jobs.Find("last")!.State == "running")
                await Task.Delay(50, Stop);
            Assert.Equal("done", jobs.Find("last")!.State);
            Assert.NotNull(app.Services.GetRequiredService<LiveSite>().PathOf("index.html"));
            // One that had been gone on with when the program ended again is not begun a third time.
            var workspace = app.Services.GetRequiredService<Workspace>();
            workspace.Jobs.Begin(
                new(
                    "again",
                    "running",
                    "{\"done\":0,\"of\":1,\"sentence\":\"Going on after a restart.\"}",
                    null,
                    DateTimeOffset.UtcNow
                )
            );
            jobs.GoOnWithWhatWasRunning();
            Assert.Equal("failed", jobs.Find("again")!.State);
            return 0;
        });
    }

    [Fact]
    public async Task A_publishing_that_is_stopped_leaves_the_public_site_as_it_was_and_keeps_what_it_had_made()
    {
        var id = await WithAsync(app => TakeAsync(app, "the-kite-hall.jpg"));
        await WithAsync(async app =>
        {
            Page(app.Services.GetRequiredService<Workspace>(), id);
            var jobs = app.Services.GetRequiredService<PublishJobs>();
            var (job, work) = jobs.Begin();
            Assert.True(jobs.Stop(job.Id));
            var ended = await work;
            Assert.Equal("failed", ended.State);
            Assert.Contains("the public site is as it was", ended.Progress.Sentence, StringComparison.Ordinal);
            Assert.False(app.Services.GetRequiredService<LiveSite>().IsThere);
            Assert.False(jobs.Stop(job.Id));
            Assert.Equal("done", (await jobs.Begin().Work).State);
            return 0;
        });
    }

    [Fact]
    public async Task A_page_goes_public_without_avif_and_is_joined_by_it_but_not_by_what_was_typed_meanwhile()
    {
        await WithReelAsync(
            async (workspace, publisher, live, id) =>
            {
                Page(workspace, id, "q");
                var published = await publisher.PublishAsync(new Progress<PublishProgress>(), Stop);
                Assert.Equal(2, published.Awaited);
                Assert.DoesNotContain("avif", Html("q/index.html"), StringComparison.Ordinal);
                Assert.All(live.MediaNames, name => Assert.NotNull(live.PathOf("media/" + name)));
                var q = workspace.Pages.Find("q")!;
                workspace.Pages.SaveDraft(
                    "q",
                    q.Version,
                    new("Q, later", "q", "", q.Draft),
                    new("Ana", DateTimeOffset.UtcNow)
                );
                Assert.Equal(0, await publisher.JoinAsync(Stop));
                await publisher.PrepareAsync(Stop);
                // The menu of both has another title: until it is published, what is public stays as it was published.
                Assert.Equal(0, await publisher.JoinAsync(Stop));
                workspace.Pages.SaveDraft(
                    "q",
                    q.Version + 1,
                    new("Q", "q", "", q.Draft),
                    new("Ana", DateTimeOffset.UtcNow)
                );
                Assert.Equal(2, await publisher.JoinAsync(Stop));
                Assert.Contains("avif", Html("q/index.html"), StringComparison.Ordinal);
                Assert.All(live.MediaNames, name => Assert.NotNull(live.PathOf("media/" + name)));
                Assert.Equal(0, await publisher.JoinAsync(Stop));
                return 0;

                string Html(string address) => File.ReadAllText(live.PathOf(address)!);
            }
        );
    }

    private const string Empty = "{\"type\":\"doc\",\"content\":[]}";

    /// <summary>A page with one picture; the first is the front page.</summary>
    private static void Page(Workspace workspace, string picture, string id = "p") =>
        workspace.Pages.Add(
            id,
            "page",
            new(
                id.ToUpperInvariant(),
                id == "p" ? "" : id,
                "",
                "{\"type\":\"doc\",\"content\":[{\"type\":\"figure\",\"attrs\":{\"id\":\"f\",\"asset\":\""
                    + picture
                    + "\"}}]}"
            ),
            DateTimeOffset.UtcNow
        );

    [Fact]
    public async Task A_publishing_that_was_ended_says_so_at_the_next_start_and_one_that_had_gone_live_is_recorded()
    {
        var (running, finished) = (Guid.NewGuid().ToString("N"), Guid.NewGuid().ToString("N"));
        await WithAsync(async app =>
        {
            var workspace = app.Services.GetRequiredService<Workspace>();
            workspace.Pages.Add(
                "p",
                "page",
                new("P", "", "", "{\"type\":\"doc\",\"content\":[]}"),
                DateTimeOffset.UtcNow
            );
            workspace.Jobs.Begin(
                new(running, "running", "{\"done\":3,\"of\":9,\"sentence\":\"Making.\"}", null, DateTimeOffset.UtcNow)
            );
            workspace.Jobs.Begin(
                new(finished, "running", "{\"done\":3,\"of\":9,\"sentence\":\"Making.\"}", null, DateTimeOffset.UtcNow)
            );
            await app.Services.GetRequiredService<Publisher>().PublishAsync(new Progress<PublishProgress>(), Stop);
            // As the disk stands when the program is killed between the swap of the pointer and the record of it.
            workspace.Settings.Set(
                "going-live",
                "{\"release\":{\"folder\":\""
                    + app.Services.GetRequiredService<LiveSite>().Release
                    + "\",\"publishedAt\":\"2026-06-01T00:00:00Z\",\"files\":1,\"bytes\":1},"
                    + "\"content\":{\"p\":\"as it went live\"},\"beside\":{},\"job\":\""
                    + finished
                    + "\"}"
            );
            return 0;
        });
        await WithAsync(async app =>
        {
            app.Services.GetRequiredService<PublishJobs>().EndWhatWasRunning();
            var http = Client(app);
            var (one, two) = (
                (await http.GetFromJsonAsync<JsonObject>($"/api/jobs/{running}", Stop))!,
                (await http.GetFromJsonAsync<JsonObject>($"/api/jobs/{finished}", Stop))!
            );
            Assert.Equal("failed", (string)one["state"]!);
            Assert.Contains(
                "the public site is as it was: publish again",
                (string)one["progress"]!["sentence"]!,
                StringComparison.Ordinal
            );
            Assert.Equal("done", (string)two["state"]!);
            Assert.Equal("as it went live", app.Services.GetRequiredService<Workspace>().Pages.Find("p")!.Published);
            return 0;
        });
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public async Task Once_visitors_meet_a_site_no_job_says_that_it_is_as_it_was(bool publishesAgain)
    {
        var job = await WithAsync(async app =>
        {
            var (workspace, jobs) = (
                app.Services.GetRequiredService<Workspace>(),
                app.Services.GetRequiredService<PublishJobs>()
            );
            workspace.Pages.Add(
                "p",
                "page",
                new("P", "", "", "{\"type\":\"doc\",\"content\":[]}"),
                DateTimeOffset.UtcNow
            );
            workspace.Pages.Switch("p", true);
            // Killed before anybody is told: the end stands with what went live.
            await app
                .Services.GetRequiredService<Publisher>()
                .PublishAsync(new Progress<PublishProgress>(), Stop, Begun(workspace, "alone"));
            Assert.Equal("done", workspace.Jobs.Find("alone")!.State);
            // And where nothing can be written down any more, the site is public all the same.
            Write("CREATE TRIGGER full BEFORE INSERT ON release BEGIN SELECT RAISE(ABORT, 'full'); END");
            workspace.Pages.SaveDraft("p", 1, new("P", "", "", Words("Later.")), new("Ana", DateTimeOffset.UtcNow));
            var (_, work) = jobs.Begin();
            var ended = await work;
            Assert.Equal("done", ended.State);
            Assert.Contains("could not write that down", ended.Progress.Sentence, StringComparison.Ordinal);
            Assert.Equal("done", jobs.Find(ended.Id)!.State);
            Assert.Contains("Later.", await Client(app).GetStringAsync("/live/", Stop), StringComparison.Ordinal);
            Write("DROP TRIGGER full");
            if (publishesAgain)
            {
                Assert.Equal("running", workspace.Jobs.Find(ended.Id)!.State);
                Assert.Equal("done", (await jobs.Begin().Work).State);
                Assert.Equal("done", workspace.Jobs.Find(ended.Id)!.State);
            }
            return ended.Id;
        });
        await WithAsync(app =>
        {
            var workspace = app.Services.GetRequiredService<Workspace>();
            app.Services.GetRequiredService<PublishJobs>().EndWhatWasRunning();
            Assert.Equal("done", workspace.Jobs.Find(job)!.State);
            Assert.Contains("Later.", workspace.Pages.Find("p")!.Published!, StringComparison.Ordinal);
            return Task.FromResult(0);
        });

        static string Begun(Workspace workspace, string id)
        {
            workspace.Jobs.Begin(
                new(id, "running", "{\"done\":0,\"of\":1,\"sentence\":\"Making.\"}", null, DateTimeOffset.UtcNow)
            );
            return id;
        }

        static string Words(string said) =>
            "{\"type\":\"doc\",\"content\":[{\"type\":\"paragraph\",\"attrs\":{\"id\":\"w\"},"
            + $"\"content\":[{{\"type\":\"text\",\"text\":\"{said}\"}}]}}]}}";

        void Write(string sql)
        {
            using var other = new SqliteConnection($"Data Source={In("dekoro.db")};Pooling=False");
            other.Open();
            using var command = other.CreateCommand();
            command.CommandText = sql;
            command.ExecuteNonQuery();
        }
    }

    [Fact]
    public async Task A_save_waits_for_a_database_that_is_held()
    {
        await WithAsync(async app =>
        {
            var workspace = app.Services.GetRequiredService<Workspace>();
            workspace.Pages.Add("p", "page", new("P", "p", "", "{}"), DateTimeOffset.UtcNow);
            using var other = new SqliteConnection($"Data Source={In("dekoro.db")};Pooling=False");
            other.Open();
            using var hold = other.CreateCommand();
            hold.CommandText = "BEGIN IMMEDIATE";
            hold.ExecuteNonQuery();
            var saving = Task.Run(
                () => workspace.Pages.SaveDraft("p", 1, new("Later", "p", "", "{}"), new("Ana", DateTimeOffset.UtcNow)),
                Stop
            );
            await Task.Delay(
                TimeSpan.FromSeconds(Environment.GetEnvironmentVariable("DEKORO_ALL") is null ? 2 : 10),
                Stop
            );
            Assert.False(saving.IsCompleted);
            hold.CommandText = "ROLLBACK";
            hold.ExecuteNonQuery();
            Assert.Equal(2, await saving);
            return 0;
        });
    }

    [Fact]
    public async Task The_demo_is_laid_into_a_new_folder_alone()
    {
        await WithAsync(async app => await TakeAsync(app, "line-reel.jpg"));
        await WithAsync(app =>
        {
            var workspace = app.Services.GetRequiredService<Workspace>();
            foreach (var asset in workspace.Assets.All())
                workspace.Assets.TakeAway(asset.Id, DateTimeOffset.UtcNow.AddDays(-99));
            return Task.FromResult(workspace.Assets.RemoveAwaySince(DateTimeOffset.UtcNow, []));
        });
        using var stop = new CancellationTokenSource();
        // The site is empty now, and still somebody's.
        var serving = Host.ServeAsync(
            new DataOptions(_folder, null, Path.Combine(ServerFixture.Root, "demo")),
            "http://127.0.0.1:0",
            stop.Token
        );
        await Task.Delay(1500, Stop);
        stop.Cancel();
        await serving.ContinueWith(_ => { }, TaskScheduler.Default);
        Assert.Equal(
            0,
            await WithAsync(app => Task.FromResult((int)app.Services.GetRequiredService<Workspace>().Assets.Count()))
        );
    }

    public void Dispose()
    {
        // What was at work when a run ended may still put its last file down.
        for (var tries = 0; Directory.Exists(_folder); tries++)
        {
            SqliteConnection.ClearAllPools();
            try
            {
                Directory.Delete(_folder, recursive: true);
            }
            catch (IOException) when (tries < 20)
            {
                Thread.Sleep(100);
            }
        }
    }

    /// <summary>A picture on the front page, and what publishes it.</summary>
    private async Task WithReelAsync(Func<Workspace, Publisher, LiveSite, string, Task<int>> use)
    {
        var id = await WithAsync(app => TakeAsync(app, "line-reel.jpg"));
        await WithAsync(app =>
        {
            var workspace = app.Services.GetRequiredService<Workspace>();
            Page(workspace, id);
            return use(
                workspace,
                app.Services.GetRequiredService<Publisher>(),
                app.Services.GetRequiredService<LiveSite>(),
                id
            );
        });
    }

    private string In(string name) => Path.Combine(_folder, name);

    private List<string> Originals() => [.. FileStore.HashesIn(In("originals")).Order(StringComparer.Ordinal)];

    private static HttpClient Client(WebApplication app)
    {
        var http = app.GetTestClient();
        http.DefaultRequestHeaders.Add("Origin", "http://localhost");
        return http;
    }

    /// <summary>One run of the program over the folder.</summary>
    private async Task<T> WithAsync<T>(Func<WebApplication, Task<T>> use)
    {
        await using var app = Host.Build(new DataOptions(_folder, null, null) { ReserveBytes = 0 }, null, b =>
            b.WebHost.UseTestServer()
        );
        await app.StartAsync(Stop);
        return await use(app);
    }

    private static async Task<string> TakeAsync(WebApplication app, string name)
    {
        await using var file = File.OpenRead(Path.Combine(ServerFixture.Root, "demo", "files", name));
        return (
            await app.Services.GetRequiredService<AssetIngest>().TakeAsync(name, file, new PictureMetadata(), Stop)
        ).Id!;
    }
}
