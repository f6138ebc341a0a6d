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
            workspace.Pages.Add(
                "p",
                "page",
                new(
                    "P",
                    "",
                    "",
                    "{\"type\":\"doc\",\"content\":[{\"type\":\"figure\",\"attrs\":{\"id\":\"f\",\"asset\":\""
                        + id
                        + "\"}}]}"
                ),
                DateTimeOffset.UtcNow
            );
            return await app
                .Services.GetRequiredService<Publisher>()
                .PublishAsync(new Progress<PublishProgress>(), Stop);
        });
        var release = Directory.EnumerateDirectories(In("live")).Single();
        var damaged = what switch
        {
            "current" => In("live/current"),
            "page" => Path.Combine(release, "index.html"),
            _ => Directory.EnumerateFiles(Path.Combine(release, "media")).First(),
        };
        File.WriteAllText(damaged, content);
        await WithAsync(async app =>
        {
            var live = app.Services.GetRequiredService<LiveSite>();
            Assert.True(live.IsThere);
            // A picture is mended from the file it was made as; a page comes with the next publishing.
            Assert.Equal(what == "page", live.PathOf("index.html") is null);
            Assert.Equal(what == "picture" ? "" : "x", live.Damage.Length > 0 ? "x" : "");
            Assert.All(Directory.EnumerateFiles(Path.Combine(release, "media")), f =>
                Assert.NotEqual(0, new FileInfo(f).Length)
            );
            await app.Services.GetRequiredService<Publisher>().PublishAsync(new Progress<PublishProgress>(), Stop);
            Assert.NotEqual(0, new FileInfo(live.PathOf("index.html")!).Length);
            Assert.Equal("", live.Damage);
            return 0;
        });
    }

    [Fact]
    public async Task A_made_file_that_was_damaged_is_made_anew_at_the_latest_by_publishing()
    {
        await WithAsync(async app =>
        {
            var (id, workspace, publisher) = (
                await TakeAsync(app, "line-reel.jpg"),
                app.Services.GetRequiredService<Workspace>(),
                app.Services.GetRequiredService<Publisher>()
            );
            workspace.Pages.Add(
                "p",
                "page",
                new(
                    "P",
                    "",
                    "",
                    "{\"type\":\"doc\",\"content\":[{\"type\":\"figure\",\"attrs\":{\"id\":\"f\",\"asset\":\""
                        + id
                        + "\"}}]}"
                ),
                DateTimeOffset.UtcNow
            );
            await publisher.PublishAsync(new Progress<PublishProgress>(), Stop);
            Assert.Equal(0, (await publisher.PublishAsync(new Progress<PublishProgress>(), Stop)).PicturesMade);
            var made = Directory.EnumerateFiles(In("renditions"), "*.webp", SearchOption.AllDirectories).First();
            var whole = File.ReadAllBytes(made);
            File.WriteAllText(made, "");
            Assert.Equal(1, (await publisher.PublishAsync(new Progress<PublishProgress>(), Stop)).PicturesMade);
            Assert.Equal(whole, File.ReadAllBytes(made));
            var other = whole.ToArray();
            other[^9] ^= 0xff;
            File.WriteAllBytes(made, other);
            Assert.Equal(1, (await publisher.PublishAsync(new Progress<PublishProgress>(), Stop)).PicturesMade);
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
        });
    }

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
