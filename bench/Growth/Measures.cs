using System.Diagnostics;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Builder;
using Microsoft.Extensions.DependencyInjection;

namespace Dekoro.Bench;

/// <summary>What was measured on a site of one size; times in ms, medians where something was done often.</summary>
internal sealed record Measures(int Posts, IReadOnlyDictionary<string, double> Took)
{
    private const string Start = "start to ready",
        Look = "look",
        Save = "save",
        Preview = "preview after a change",
        Pages = "first screen of Pages",
        Cold = "publish, first after a start",
        Full = "publish, all",
        One = "publish, one page changed",
        Nothing = "publish, nothing changed",
        Viewed = "preview, pictures as IIIF too",
        Limit = "copying and writing alone",
        Memory = "memory, MB",
        Files = "files of pictures";

    private const int Often = 21;

    public static async Task<Measures> TakeAsync(string data, int posts)
    {
        var places = new DataOptions(data, null, null) { ReserveBytes = 0 };
        var took = new Dictionary<string, double> { [Files] = await FillAsync(places, posts) };
        await using (var served = await StartAsync(places))
        {
            took[Cold] = await served.TimedAsync(served.PublishAsync);
            // All pages have another style sheet, and none of their pictures another file.
            await served.RenameAsync();
            took[Full] = await served.TimedAsync(served.PublishAsync);
        }
        var starts = new List<double>();
        for (var i = 0; i < 7; i++)
        {
            GC.Collect();
            var clock = Stopwatch.StartNew();
            await using var again = await StartAsync(places);
            starts.Add(clock.Elapsed.TotalMilliseconds);
        }
        took[Start] = Median(starts);
        await using var site = await StartAsync(places);
        // What a start does while nobody waits is done.
        await Task.Delay(TimeSpan.FromSeconds(20));
        await site.EachAsync(Club.PostId(posts / 2), posts, took);
        took[Memory] = Process.GetCurrentProcess().WorkingSet64 / 1e6;
        took[Limit] = await LimitAsync(site.App.Services, data);
        site.App.Services.GetRequiredService<IiifFiles>().Set(new(true, "https://club.example"));
        await site.EachViewedAsync(Club.PostId(posts / 2), posts, took);
        return new(posts, took);
    }

    private static async Task<int> FillAsync(DataOptions places, int posts)
    {
        await using var first = Host.Build(places, null);
        var workspace = first.Services.GetRequiredService<Workspace>();
        Club.Fill(workspace, posts);
        var files = Club.MakeFiles(
            first.Services.GetRequiredService<PlanningContext>(),
            workspace,
            first.Services.GetRequiredService<RenditionMaker>()
        );
        // As files are that were made while nobody waited.
        Storage.DiskLayer.Instance.FlushAll(places.DataFolder);
        return files;
    }

    /// <summary>The finished site's files copied, and its pages written once: no publish can do with less.</summary>
    private static async Task<double> LimitAsync(IServiceProvider services, string data)
    {
        var planning = services.GetRequiredService<PlanningContext>();
        var (finished, copied) = (Path.Combine(data, "finished"), Path.Combine(data, "copied"));
        await services
            .GetRequiredService<Publisher>()
            .ExportAsync(finished, new Progress<PublishProgress>(), CancellationToken.None);
        var plans = Club.Plans(planning);
        Directory.CreateDirectory(copied);
        var clock = Stopwatch.StartNew();
        foreach (var file in Directory.EnumerateFiles(finished, "*", SearchOption.AllDirectories))
        {
            var to = Path.Combine(copied, Path.GetRelativePath(finished, file));
            Directory.CreateDirectory(Path.GetDirectoryName(to)!);
            File.Copy(file, to);
        }
        await Club.WritePagesAsync(plans, services, copied);
        return clock.Elapsed.TotalMilliseconds;
    }

    public static void Print(IReadOnlyList<Measures> all)
    {
        var (small, large) = (all[0], all[^1]);
        Console.WriteLine("Posts of 480 words and six pictures; ms, medians:");
        Console.WriteLine($"{"", -30}{string.Concat(all.Select(m => $"{m.Posts, 10:N0}"))}   largest : smallest");
        string[] names = [Start, Look, Save, Preview, Pages, Cold, Full, One, Nothing, Limit, Memory, Files, Viewed];
        foreach (var name in names)
            Console.WriteLine(
                $"{name, -30}{string.Concat(all.Select(m => $"{m.Took[name], 10:N1}"))}   "
                    + $"{large.Took[name] / small.Took[name], 10:N2}"
            );
        Console.WriteLine($"one page changed : all at {large.Posts}    {large.Took[One] / large.Took[Full]:P1}");
        Console.WriteLine($"nothing changed : all at {large.Posts}     {large.Took[Nothing] / large.Took[Full]:P1}");
        Console.WriteLine($"all : copying and writing alone  {large.Took[Full] / large.Took[Limit]:N2}");
    }

    private static double Median(List<double> all) => all.Order().ElementAt(all.Count / 2);

    private static async Task<Site> StartAsync(DataOptions places)
    {
        var app = Host.Build(places, "http://127.0.0.1:0");
        await app.StartAsync();
        var http = new HttpClient { BaseAddress = new(app.Urls.First()), Timeout = TimeSpan.FromMinutes(30) };
        http.DefaultRequestHeaders.Add("Origin", app.Urls.First());
        return new(app, http);
    }

    private sealed record Site(WebApplication App, HttpClient Http) : IAsyncDisposable
    {
        public async Task<double> TimedAsync(Func<Task> work)
        {
            var clock = Stopwatch.StartNew();
            await work();
            return clock.Elapsed.TotalMilliseconds;
        }

        public async Task<List<double>> OftenAsync(Func<int, Task> work, int times = Often)
        {
            var took = new List<double>();
            for (var i = 0; i < times; i++)
                took.Add(await TimedAsync(() => work(i)));
            return took;
        }

        /// <summary>What an editor waits for, again and again.</summary>
        public async Task EachAsync(string page, int posts, Dictionary<string, double> took)
        {
            // The very first of each reads what a start leaves unread.
            await LookAsync(page, posts, 0);
            await GetAsync("/api/publish");
            await GetAsync("/api/pages?take=24");
            took[Look] = Median(await OftenAsync(i => LookAsync(page, posts, i)));
            took[Save] = Median(await OftenAsync(i => SaveAsync(page, posts, i)));
            var (previews, ones, pages) = (new List<double>(), new List<double>(), new List<double>());
            for (var i = 0; i < 9; i++)
            {
                await SaveAsync(page, posts, 1000 + i);
                previews.Add(await TimedAsync(() => GetAsync("/api/publish")));
                pages.Add(await TimedAsync(() => GetAsync("/api/pages?take=24")));
                ones.Add(await TimedAsync(PublishAsync));
            }
            (took[Preview], took[Pages], took[One]) = (Median(previews), Median(pages), Median(ones));
            took[Nothing] = Median(await OftenAsync(_ => PublishAsync(), 9));
        }

        /// <summary>The same once its pictures are described to viewers of other houses too.</summary>
        public async Task EachViewedAsync(string page, int posts, Dictionary<string, double> took)
        {
            // Its files are none that pages have, and are not made here.
            await GetAsync("/api/publish");
            var previews = new List<double>();
            for (var i = 0; i < 9; i++)
            {
                await SaveAsync(page, posts, 2000 + i);
                previews.Add(await TimedAsync(() => GetAsync("/api/publish")));
            }
            took[Viewed] = Median(previews);
        }

        public async Task GetAsync(string path) => await Http.GetByteArrayAsync(path);

        public async Task PublishAsync()
        {
            using var answer = await Http.PostAsync("/api/publish", null);
            answer.EnsureSuccessStatusCode();
        }

        public async Task RenameAsync()
        {
            var style = await Http.GetFromJsonAsync<JsonObject>("/api/site/style");
            var values = (JsonObject)style!["values"]!;
            values["name"] = "The club, renamed";
            using var put = new HttpRequestMessage(HttpMethod.Put, "/api/site/style")
            {
                Content = JsonContent.Create(new { values }),
            };
            put.Headers.IfMatch.Add(new EntityTagHeaderValue($"\"{style["seen"]}\""));
            using var answer = await Http.SendAsync(put);
            answer.EnsureSuccessStatusCode();
        }

        public async Task LookAsync(string page, int posts, int i)
        {
            using var answer = await Http.PostAsync($"/api/pages/{page}/look", Draft(page, posts, i));
            answer.EnsureSuccessStatusCode();
            await answer.Content.ReadAsByteArrayAsync();
        }

        public async Task SaveAsync(string page, int posts, int i)
        {
            var draft = await Http.GetFromJsonAsync<JsonObject>($"/api/pages/{page}/draft");
            using var save = new HttpRequestMessage(HttpMethod.Put, $"/api/pages/{page}/draft")
            {
                Content = Draft(page, posts, i),
            };
            save.Headers.IfMatch.Add(new EntityTagHeaderValue($"\"{(long)draft!["version"]!}\""));
            using var answer = await Http.SendAsync(save);
            answer.EnsureSuccessStatusCode();
        }

        private static StringContent Draft(string page, int posts, int i)
        {
            var number = int.Parse(page[4..], System.Globalization.CultureInfo.InvariantCulture);
            var document = Club.DocumentOf(number, posts, $" {i}");
            return new(
                $$"""{"title":"Post {{number}}","summary":"A summary.","document":{{document}}}""",
                Encoding.UTF8,
                "application/json"
            );
        }

        public async ValueTask DisposeAsync()
        {
            Http.Dispose();
            await App.StopAsync();
            await App.DisposeAsync();
        }
    }
}
