using System.Net;
using System.Net.Http.Json;
using System.Security.Cryptography;
using System.Text.Json.Nodes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Publishing;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Time.Testing;
using NetVips;

namespace Dekoro.Server.Tests;

/// <summary>
/// What publishing works out anew after a change is the whole site as it would be worked out from nothing: byte for
/// byte, whatever was changed.
/// </summary>
public sealed class IncrementalTests : IAsyncLifetime
{
    private readonly FakeTimeProvider _clock = new(new DateTimeOffset(2026, 11, 26, 12, 0, 0, TimeSpan.Zero));
    private readonly List<string> _pages = [],
        _pictures = [];
    private ServerFixture _server = null!;
    private string _set = "",
        _following = "",
        _banner = "",
        _file = "";

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        _server = new() { Clock = _clock };
        await _server.InitializeAsync();
        for (var i = 0; i < 6; i++)
            _pictures.Add(await GiveAsync(i));
        _set = (string)
            (await _server.PostAsync("/api/arrangements", new { name = "Kites", pictures = _pictures[..3] }))["id"]!;
        _following = (string)
            (await _server.PostAsync("/api/arrangements", new { name = "Folder", pictures = _pictures[..1] }))["id"]!;
        await EachAsync(_following, values => values["sourceQuery"] = "folder:dunes");
        _file = (string)(await _server.GiveAsync("programme.txt", "Ten to five"u8.ToArray()))["downloadId"]!;
        for (var i = 0; i < 7; i++)
            _pages.Add(await _server.PageAsync($"Page {i}", ContentOf(i, i)));
        _banner = (string)
            (await _server.PostAsync("/api/banners", BannerOf("Winter", "2026-12-01", "2026-12-20")))["id"]!;
    }

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    private static readonly string[] Kinds =
    [
        "words of a picture",
        "keep area",
        "a swap",
        "style",
        "title in the menu",
        "an arrangement on two pages",
        "a followed folder",
        "a banner",
        "dates of a banner",
        "a date that comes",
        "a ladder shared by two pages",
        "an address",
        "a page off",
        "the order",
        "a file that is linked",
        "an edit of a picture",
        "a page away",
        "a slide with a date",
    ];

    [Fact]
    public async Task After_a_change_of_any_kind_the_public_site_is_as_if_all_of_it_were_made_anew()
    {
        var random = new Random(7);
        await PublishedWholeAsync("at first");
        foreach (var kind in Kinds)
        {
            await ChangeAsync(kind, random);
            await PublishedWholeAsync(kind);
        }
        for (var i = 0; i < Changes; i++)
        {
            string[] some = [.. Enumerable.Range(0, random.Next(1, 4)).Select(_ => Kinds[random.Next(Kinds.Length)])];
            foreach (var kind in some)
                await ChangeAsync(kind, random);
            await PublishedWholeAsync($"round {i}: {string.Join(", ", some)}");
        }
    }

    [Fact]
    public async Task What_is_changed_while_a_publishing_runs_waits_for_the_next_and_visitors_meet_all_of_one_moment()
    {
        await PublishedWholeAsync("at first");
        await DraftAsync(_pages[1], "Before", ContentOf(1, 2));
        await DraftAsync(_pages[2], "Before too", ContentOf(2, 3));
        var before = await WholeAsync();
        var publisher = _server.Services.GetRequiredService<Publisher>();
        var meanwhile = new Once(() =>
            Task.Run(
                    async () =>
                    {
                        await StyleAsync(values => (values["name"], values["textPx"]) = ("Meanwhile", 19));
                        await DraftAsync(_pages[2], "Meanwhile", ContentOf(2, 1));
                        await FileAsync(_pictures[2], new { alt = "Meanwhile" });
                    },
                    Stop
                )
                .Wait(Stop)
        );
        // Away from the test's own turn, for which what is done meanwhile would wait.
        await Task.Run(() => publisher.PublishAsync(meanwhile, Stop), Stop);
        var live = _server.Services.GetRequiredService<LiveSite>();
        var pages = before.Where(f =>
            f.Key.EndsWith(".html", StringComparison.Ordinal) || f.Key.EndsWith(".css", StringComparison.Ordinal)
        );
        Assert.All(pages, f =>
            Assert.DoesNotContain("Meanwhile", File.ReadAllText(live.PathOf(f.Key)!), StringComparison.Ordinal)
        );
        Assert.Equal(before["assets/site.css"], HashOf(live.PathOf("assets/site.css")!));
        await PublishedWholeAsync("what was changed meanwhile");
        await StyleAsync(values => values["name"] = "As before");
        await PublishedWholeAsync("what was changed back");
    }

    /// <summary>Does something when it is first told how far the work is.</summary>
    private sealed class Once(Action act) : IProgress<PublishProgress>
    {
        private int _told;

        public void Report(PublishProgress value)
        {
            if (Interlocked.Exchange(ref _told, 1) == 0)
                act();
        }
    }

    /// <summary>More of them where all is tried.</summary>
    private static int Changes => Environment.GetEnvironmentVariable("DEKORO_ALL") is null ? 12 : 300;

    private async Task ChangeAsync(string kind, Random random)
    {
        var (page, picture) = (random.Next(_pages.Count), _pictures[random.Next(_pictures.Count)]);
        var id = _pages[page];
        await (
            kind switch
            {
                "words of a picture" => FileAsync(
                    picture,
                    new { title = $"Title {random.Next(99)}", caption = "Said anew" }
                ),
                "keep area" => FileAsync(
                    picture,
                    new
                    {
                        keep = new
                        {
                            x = 0.1,
                            y = 0.1,
                            width = 0.2 + random.NextDouble() / 2,
                            height = 0.3,
                        },
                    }
                ),
                "a swap" => SentAsync(
                    HttpMethod.Post,
                    $"/api/files/{picture}/swap",
                    new { with = _pictures[(_pictures.IndexOf(picture) + random.Next(1, 6)) % 6] }
                ),
                "style" => StyleAsync(values => values["name"] = $"Kites {random.Next(99)}"),
                "title in the menu" => DraftAsync(id, $"Title {random.Next(99)}", ContentOf(page, page)),
                "an arrangement on two pages" => EachAsync(_set, values => values["name"] = $"Kites {random.Next(99)}"),
                "a followed folder" => FileAsync(picture, new { folder = random.Next(2) == 0 ? "dunes" : "sea" }),
                "a banner" => BannerAsync(BannerOf($"Winter {random.Next(99)}", "2026-12-01", "2026-12-20")),
                "dates of a banner" => BannerAsync(BannerOf("Winter", "2026-11-20", $"2026-12-{random.Next(10, 28)}")),
                "a date that comes" => DaysAsync(random.Next(1, 6)),
                "a ladder shared by two pages" => DraftAsync(id, $"Page {page}", ContentOf(page, random.Next(99))),
                "an address" => PathAsync(id, $"moved-{random.Next(99)}"),
                "a page off" => SwitchAsync(_pages[random.Next(1, _pages.Count)], random.Next(2) == 0),
                "the order" => SentAsync(
                    HttpMethod.Post,
                    "/api/pages/order",
                    new { ids = _pages.OrderBy(_ => random.Next()).ToArray() }
                ),
                "a file that is linked" => SentAsync(
                    HttpMethod.Patch,
                    $"/api/downloads/{_file}",
                    new { title = $"Programme {random.Next(99)}" }
                ),
                "an edit of a picture" => SentAsync(
                    HttpMethod.Post,
                    $"/api/files/{picture}/versions",
                    new { edits = Edited(random.Next(1, 40)) }
                ),
                "a page away" => AwayAsync(_pages[random.Next(1, _pages.Count)], random.Next(2) == 0),
                "a slide with a date" => EachAsync(_set, values =>
                    values["items"]![1]!["until"] = $"2026-12-{random.Next(10, 28)}"
                ),
                _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
            }
        );
    }

    /// <summary>
    /// Publishes what has changed, and compares it with all of it worked out by a program that knows nothing.
    /// </summary>
    private async Task PublishedWholeAsync(string after)
    {
        var services = _server.Services;
        var publisher = services.GetRequiredService<Publisher>();
        var published = await publisher.PublishAsync(new Progress<PublishProgress>(), Stop);
        await publisher.PrepareAsync(Stop);
        await publisher.JoinAsync(Stop);
        var live = services.GetRequiredService<LiveSite>();
        var whole = await WholeAsync();
        foreach (var (address, hash) in whole)
            Assert.True(
                live.PathOf(address) is { } path && HashOf(path) == hash,
                $"{address} is not the same after {after}."
            );
        Assert.Equal(whole.Count, live.CountNow);
        Assert.NotEmpty(published.Release);
    }

    /// <summary>Hashes of all files of the site, worked out from nothing.</summary>
    private async Task<Dictionary<string, string>> WholeAsync()
    {
        var folder = Directory.CreateTempSubdirectory("dekoro-whole").FullName;
        await FromNothing(_server.Services).ExportAsync(folder, new Progress<PublishProgress>(), Stop);
        var whole = Directory
            .EnumerateFiles(folder, "*", SearchOption.AllDirectories)
            .Select(f => (Address: Path.GetRelativePath(folder, f), Hash: HashOf(f)))
            .Where(f => !f.Address.StartsWith('.'))
            .ToDictionary(f => f.Address, f => f.Hash);
        Directory.Delete(folder, recursive: true);
        return whole;
    }

    private static Publisher FromNothing(IServiceProvider services)
    {
        T Of<T>()
            where T : notnull => services.GetRequiredService<T>();
        var workspace = Of<Workspace>();
        var planning = new PlanningContext(
            workspace,
            Of<Grids>(),
            Of<SiteCalendar>(),
            new SiteBanners(workspace),
            new SiteBook(workspace)
        );
        var beside = new FilesBeside(workspace, Of<RenditionMaker>());
        var builder = new SiteBuilder(workspace, Of<RenditionMaker>(), Of<Renderer>(), beside, Of<IiifFiles>());
        var changes = new SiteChanges(workspace, planning, builder, beside, Of<IiifFiles>(), Of<SiteCalendar>());
        return new(workspace, planning, builder, changes, Of<LiveSite>(), Of<SiteCalendar>(), Of<TimeProvider>());
    }

    private object[] ContentOf(int page, int size) =>
        [
            ServerFixture.Text("Kites over the dunes."),
            Figure("a", _pictures[page % 6], size),
            Figure("b", _pictures[(page + 1) % 6], size + 1),
            .. page % 3 == 0
                ? new object[]
                {
                    new
                    {
                        type = "arrangement",
                        attrs = new
                        {
                            id = "set",
                            arrangement = page == 6 ? _following : _set,
                            reach = "wide",
                        },
                    },
                }
                : [],
            new
            {
                type = "paragraph",
                attrs = new { id = "links" },
                content = new object[]
                {
                    Link("There", _pages.Count > 0 ? "page:" + _pages[0] : "https://example.org/"),
                    Link("Programme", "file-in-library:" + _file),
                },
            },
        ];

    private static object Figure(string id, string asset, int size) =>
        new
        {
            type = "figure",
            attrs = new
            {
                id,
                asset,
                size = new[] { "column", "third", "half", "wide" }[size % 4],
            },
        };

    private static object Link(string text, string href) =>
        new
        {
            type = "text",
            text,
            marks = new[] { new { type = "link", attrs = new { href } } },
        };

    private static object BannerOf(string name, string from, string until) =>
        new
        {
            name,
            targets = new[] { new { kind = "pages", name = "" } },
            band = new
            {
                type = "band",
                attrs = new
                {
                    id = "banner",
                    colour = "#143c58",
                    words = "light",
                },
                content = new object[]
                {
                    new
                    {
                        type = "heading",
                        attrs = new { id = "t", level = 2 },
                        content = new[] { new { type = "text", text = name } },
                    },
                },
            },
            from,
            until,
            yearly = false,
            isStanding = false,
        };

    private async Task<string> GiveAsync(int i)
    {
        using var flat = (
            Image.Black(360 + 40 * i, 240 + 30 * i, bands: 3) + new double[] { 40 * i, 90, 200 - 20 * i }
        ).Cast(Enums.BandFormat.Uchar);
        var file = await _server.GiveAsync($"kite-{i}.jpg", flat.JpegsaveBuffer());
        return (string)file["id"]!;
    }

    private static object Edited(int light) =>
        new
        {
            quarterTurns = light % 4,
            isMirrored = false,
            straightenDeg = 0,
            window = new
            {
                x = 0,
                y = 0,
                width = 1,
                height = 1,
            },
            adjustments = new { light },
        };

    private Task FileAsync(string id, object change) => SentAsync(HttpMethod.Patch, $"/api/files/{id}", change);

    /// <summary>A change that has to be taken: one that is refused tries nothing.</summary>
    private async Task SentAsync(HttpMethod method, string path, object? body, long? version = null)
    {
        using var sent = new HttpRequestMessage(method, path)
        {
            Content = body is null ? null : JsonContent.Create(body),
        };
        if (version is { } from)
            sent.Headers.TryAddWithoutValidation("If-Match", $"\"{from}\"");
        using var answer = await _server.Http.SendAsync(sent, Stop);
        // Swapped away before, it stands nowhere any more.
        var isGone = answer.StatusCode == HttpStatusCode.Conflict && path.EndsWith("/swap", StringComparison.Ordinal);
        Assert.True(
            answer.IsSuccessStatusCode || isGone,
            $"{method} {path}: {await answer.Content.ReadAsStringAsync(Stop)}"
        );
    }

    private async Task StyleAsync(Action<JsonNode> change)
    {
        var style = await _server.GetAsync("/api/site/style");
        change(style["values"]!);
        await SentAsync(HttpMethod.Put, "/api/site/style", new { values = style["values"] });
    }

    private async Task EachAsync(string set, Action<JsonNode> change)
    {
        var there = await _server.GetAsync($"/api/arrangements/{set}");
        change(there["values"]!);
        await SentAsync(HttpMethod.Put, $"/api/arrangements/{set}", there["values"], (long)there["version"]!);
    }

    private async Task BannerAsync(object values)
    {
        var there = (await _server.GetAsync("/api/banners"))["items"]![0]!;
        await SentAsync(HttpMethod.Put, $"/api/banners/{_banner}", values, (long)there["version"]!);
    }

    private async Task DraftAsync(string id, string title, object[] content, string? path = null)
    {
        if (await FindAsync(id) is not { } draft)
            return;
        using var put = new HttpRequestMessage(HttpMethod.Put, $"/api/pages/{id}/draft")
        {
            Content = JsonContent.Create(
                new
                {
                    title,
                    path = path ?? (string)draft["path"]!,
                    document = new { type = "doc", content },
                }
            ),
        };
        put.Headers.TryAddWithoutValidation("If-Match", $"\"{(long)draft["version"]!}\"");
        using var answer = await _server.Http.SendAsync(put, Stop);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    private Task PathAsync(string id, string path) =>
        DraftAsync(id, "Moved", ContentOf(_pages.IndexOf(id), 1), id == _pages[0] ? "" : path);

    private async Task<JsonObject?> FindAsync(string id) =>
        await _server.SendAsync(HttpMethod.Get, $"/api/pages/{id}/draft") is { Status: HttpStatusCode.OK } there
            ? there.Body
            : null;

    private async Task SwitchAsync(string id, bool isOn)
    {
        using var change = new HttpRequestMessage(HttpMethod.Patch, $"/api/pages/{id}")
        {
            Content = JsonContent.Create(new { isOn }),
        };
        using var _ = await _server.Http.SendAsync(change, Stop);
    }

    private async Task AwayAsync(string id, bool isAway)
    {
        using var change = isAway
            ? new HttpRequestMessage(HttpMethod.Delete, $"/api/pages/{id}")
            : new HttpRequestMessage(HttpMethod.Post, $"/api/pages/{id}/back");
        using var _ = await _server.Http.SendAsync(change, Stop);
    }

    private Task DaysAsync(int days)
    {
        _clock.Advance(TimeSpan.FromDays(days));
        return Task.CompletedTask;
    }

    private static string HashOf(string path) => Convert.ToHexStringLower(SHA256.HashData(File.ReadAllBytes(path)));
}
