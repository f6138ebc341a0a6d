using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Dekoro.Application.Hosting;
using Dekoro.Server.Hosting;

namespace Dekoro.Server.Tests;

/// <summary>
/// Every call that the program describes, and those it does not, against requests that belong to somebody else's page.
/// </summary>
public sealed class GuardTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    /// <summary>Not in the description, for they are no JSON.</summary>
    private static readonly string[] Undescribed =
    [
        "GET /api/events",
        "GET /media/proof/x/whole/160",
        "GET /media/original/x",
        "GET /media/file/x",
        "GET /media/x",
        "GET /proof/x",
        "GET /stage/x",
        "GET /openapi/v1.json",
        "GET /standins/archive/collection.json",
        "GET /api/archive/picture",
        "GET /api/intake/x/page",
        "GET /api/quarantine/x/picture",
    ];

    private static readonly string[] ForEverybody = ["GET /live/", "GET /live/visit/", "HEAD /live/", "GET /health"];

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public static TheoryData<string, string, string, int> Foreign =>
        new()
        {
            { "Host", "dekoro.evil.example", "", 421 },
            { "Host", "127.0.0.1.evil.example", "", 421 },
            { "Origin", "https://evil.example", "", 403 },
            { "Origin", "https://localhost", "", 403 },
            { "Sec-Fetch-Site", "cross-site", "", 403 },
            { "Sec-Fetch-Site", "same-site", "", 403 },
        };

    [Theory]
    [MemberData(nameof(Foreign))]
    public async Task No_call_is_answered_that_comes_from_elsewhere(
        string header,
        string value,
        string origin,
        int status
    )
    {
        var calls = await CallsAsync();
        Assert.InRange(calls.Count, 90, 300);
        foreach (var call in calls)
        {
            using var answer = await SendAsync(call, header, value, origin);
            Assert.True(
                status == (int)answer.StatusCode,
                $"{call} with {header}: {value} was answered with {(int)answer.StatusCode}."
            );
        }
    }

    [Fact]
    public async Task What_changes_something_and_does_not_say_where_it_comes_from_is_refused()
    {
        foreach (var call in await CallsAsync())
        {
            using var answer = await SendAsync(call, null, null, null);
            Assert.Equal(
                !call.StartsWith("GET ", StringComparison.Ordinal),
                answer.StatusCode == HttpStatusCode.Forbidden
            );
        }
    }

    [Theory]
    [MemberData(nameof(Foreign))]
    public async Task The_public_site_and_the_sign_of_life_answer_everybody(
        string header,
        string value,
        string origin,
        int _
    )
    {
        await server.PageAsync("Front " + header + value.Length, ServerFixture.Text("Here."));
        (await server.Http.PostAsync("/api/publish", null, Stop)).EnsureSuccessStatusCode();
        foreach (var call in ForEverybody)
        {
            using var answer = await SendAsync(call, header, value, origin);
            Assert.True(
                answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.NotFound,
                $"{call}: {answer.StatusCode}"
            );
        }
        using var front = await SendAsync("GET /live/", header, value, origin);
        Assert.Equal(HttpStatusCode.OK, front.StatusCode);
    }

    [Fact]
    public async Task A_link_from_elsewhere_opens_the_tool_in_a_window_and_reads_nothing()
    {
        foreach (
            var (path, mode, dest, isRefused) in new[]
            {
                ("/pages/x", "navigate", "document", false),
                ("/pages/x", "navigate", "iframe", true),
                ("/pages/x", "no-cors", "image", true),
                ("/api/pages", "navigate", "document", true),
                ("/proof/x", "navigate", "document", true),
            }
        )
        {
            var request = new HttpRequestMessage(HttpMethod.Get, path);
            foreach (
                var (name, value) in new[]
                {
                    ("Sec-Fetch-Site", "cross-site"),
                    ("Sec-Fetch-Mode", mode),
                    ("Sec-Fetch-Dest", dest),
                }
            )
                request.Headers.Add(name, value);
            using var answer = await Plain().SendAsync(request, Stop);
            Assert.Equal(isRefused, answer.StatusCode == HttpStatusCode.Forbidden);
        }
    }

    [Theory]
    [InlineData("http://127.0.0.1:5380", true)]
    [InlineData("http://localhost:5380;http://[::1]:5381", true)]
    [InlineData("http://0.0.0.0:5380", false)]
    [InlineData("http://*:80", false)]
    [InlineData("http://+:80", false)]
    [InlineData("http://192.168.0.7:5380", false)]
    [InlineData("http://127.0.0.1:5380;http://[::]:5380", false)]
    public void Nothing_is_listened_at_beyond_this_machine(string urls, bool isTaken)
    {
        var refusal = Guard.RefusalOf(urls);
        Assert.Equal(isTaken, refusal is null);
        if (refusal is not null)
            Assert.Contains("there are no accounts yet", refusal, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Public_is_refused_with_what_to_do_instead() =>
        Assert.Equal(
            1,
            await Commands.RunAsync(["serve", "--public", "--data", Path.Combine(server.Folder, "nowhere")])
        );

    [Fact]
    public async Task Under_a_name_of_its_own_the_public_site_is_all_there_is()
    {
        var folder = Directory.CreateTempSubdirectory("dekoro-site").FullName;
        await using var app = Host.Build(
            new Dekoro.Application.Hosting.DataOptions(folder, null, null)
            {
                SiteHost = "kites.example",
                ReserveBytes = 0,
            },
            null,
            b => Microsoft.AspNetCore.TestHost.WebHostBuilderExtensions.UseTestServer(b.WebHost)
        );
        await app.StartAsync(Stop);
        var server = (Microsoft.AspNetCore.TestHost.TestServer)
            app.Services.GetService(typeof(Microsoft.AspNetCore.Hosting.Server.IServer))!;
        var tool = new HttpClient(server.CreateHandler()) { BaseAddress = new("http://localhost/") };
        tool.DefaultRequestHeaders.Add("Origin", "http://localhost");
        foreach (var title in new[] { "Home", "Visit" })
            (await tool.PostAsJsonAsync("/api/pages", new { kind = "page", title }, Stop)).EnsureSuccessStatusCode();
        (await tool.PostAsync("/api/publish", null, Stop)).EnsureSuccessStatusCode();
        var site = new HttpClient(server.CreateHandler()) { BaseAddress = new("http://kites.example/") };
        Assert.Contains("Home", await site.GetStringAsync("/", Stop), StringComparison.Ordinal);
        Assert.Contains("Visit", await site.GetStringAsync("/visit/", Stop), StringComparison.Ordinal);
        using var moved = await site.GetAsync("/visit", Stop);
        Assert.Equal("visit/", moved.Headers.Location!.OriginalString);
        foreach (var path in new[] { "/api/pages", "/health", "/media/original/x" })
            Assert.Equal(HttpStatusCode.NotFound, (await site.GetAsync(path, Stop)).StatusCode);
        await app.DisposeAsync();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task A_number_that_is_none_or_beyond_all_bounds_is_a_bad_request_and_never_a_failure()
    {
        var description = JsonNode.Parse(await server.Http.GetStringAsync("/openapi/v1.json", Stop))!;
        var tried = 0;
        foreach (var (path, methods) in description["paths"]!.AsObject())
        {
            foreach (var (method, call) in methods!.AsObject())
            {
                var numbers = (call!["parameters"]?.AsArray() ?? []).Where(p =>
                    (string)p!["in"]! == "query"
                    && p["schema"]!.ToJsonString().Contains("int", StringComparison.Ordinal)
                        | p["schema"]!.ToJsonString().Contains("number", StringComparison.Ordinal)
                        | p["schema"]!.ToJsonString().Contains("double", StringComparison.Ordinal)
                );
                foreach (var name in numbers.Select(p => (string)p!["name"]!))
                {
                    foreach (
                        var value in new[]
                        {
                            "x",
                            "1e",
                            "99999999999999999999",
                            "-2147483648",
                            "2147483647",
                            "NaN",
                            "Infinity",
                            "-1",
                            "0",
                        }
                    )
                    {
                        using var answer = await SendAsync(
                            $"{method.ToUpperInvariant()} {WithoutBraces(path)}?{name}={value}",
                            "Origin",
                            "http://localhost",
                            null
                        );
                        Assert.True(
                            (int)answer.StatusCode < 500,
                            $"{method} {path} with {name}={value}: {answer.StatusCode}"
                        );
                        if (value is "x" or "1e" or "99999999999999999999")
                            Assert.True((int)answer.StatusCode is >= 400, $"{method} {path} took {name}={value}.");
                        tried++;
                    }
                }
            }
        }
        Assert.InRange(tried, 60, 2000);
    }

    [Fact]
    public async Task Every_page_and_file_that_is_served_says_what_it_may_load_and_who_may_frame_it()
    {
        var page = await server.PageAsync("Framed", ServerFixture.Text("Here."));
        var made = await server.PostAsync(
            "/api/arrangements",
            new { name = "Set", pictures = new[] { await server.TakeInAsync("line-reel.jpg") } }
        );
        (await server.Http.PostAsync("/api/publish", null, Stop)).EnsureSuccessStatusCode();
        foreach (var path in new[] { $"/proof/{page}", $"/proof/{page}?desk", $"/stage/{made["id"]}", "/live/" })
        {
            using var answer = await server.Http.GetAsync(path, Stop);
            Assert.Contains(
                "frame-ancestors 'self'",
                answer.Headers.GetValues("Content-Security-Policy").Single(),
                StringComparison.Ordinal
            );
        }
        // A web server elsewhere sends no such header: the page brings it along.
        Assert.Contains(
            "<meta http-equiv=\"Content-Security-Policy\"",
            await server.Http.GetStringAsync("/live/", Stop),
            StringComparison.Ordinal
        );
    }

    /// <summary>Of the description, and those beside it; ids that name nothing.</summary>
    private async Task<List<string>> CallsAsync()
    {
        var description = JsonNode.Parse(await server.Http.GetStringAsync("/openapi/v1.json", Stop))!;
        return
        [
            .. description["paths"]!
                .AsObject()
                .Where(p => p.Key != "/health")
                .SelectMany(p => p.Value!.AsObject().Select(m => $"{m.Key.ToUpperInvariant()} {WithoutBraces(p.Key)}")),
            .. Undescribed,
        ];
    }

    private static string WithoutBraces(string path) =>
        path.Replace("{", "", StringComparison.Ordinal).Replace("}", "", StringComparison.Ordinal);

    /// <summary>Says nothing by itself.</summary>
    private HttpClient Plain() =>
        new(
            (
                (Microsoft.AspNetCore.TestHost.TestServer)
                    server.Services.GetService(typeof(Microsoft.AspNetCore.Hosting.Server.IServer))!
            ).CreateHandler()
        )
        {
            BaseAddress = new("http://localhost/"),
        };

    private async Task<HttpResponseMessage> SendAsync(string call, string? header, string? value, string? origin)
    {
        var (method, path) = (call.Split(' ')[0], call.Split(' ')[1]);
        var request = new HttpRequestMessage(new(method), path);
        if (method is "POST" or "PUT" or "PATCH")
            request.Content = new StringContent("{}", Encoding.UTF8, "application/json");
        // A page of ours sends both; one header that is wrong is enough.
        if (origin is not null && header != "Origin" && method != "GET")
            request.Headers.Add("Origin", "http://localhost");
        if (header == "Host")
            request.Headers.Host = value;
        else if (header is not null)
            request.Headers.Add(header, value);
        return await Plain().SendAsync(request, HttpCompletionOption.ResponseHeadersRead, Stop);
    }
}
