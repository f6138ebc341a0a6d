using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Dekoro.Application.Hosting;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;

namespace Dekoro.Server.Tests;

/// <summary>The whole program on a data folder of its own, without a socket.</summary>
public sealed class ServerFixture : IAsyncLifetime
{
    private readonly string _folder = Directory.CreateTempSubdirectory("dekoro-server").FullName;
    private WebApplication? _app;

    public HttpClient Http { get; private set; } = null!;

    /// <summary>The same, and nothing is said that a test does not say.</summary>
    public HttpClient Bare { get; private set; } = null!;

    /// <summary>What the program is made of.</summary>
    public IServiceProvider Services => _app!.Services;

    public string Folder => _folder;

    /// <summary>Null for the clock on the wall.</summary>
    public TimeProvider? Clock { get; init; }

    public static string Root
    {
        get
        {
            var folder = AppContext.BaseDirectory;
            while (!File.Exists(Path.Combine(folder, "Dekoro.slnx")))
                folder = Directory.GetParent(folder)!.FullName;
            return folder;
        }
    }

    public async ValueTask InitializeAsync()
    {
        _app = Host.Build(new DataOptions(_folder, null, null) { ReserveBytes = 0 }, null, builder =>
        {
            builder.WebHost.UseTestServer();
            if (Clock is not null)
                builder.Services.AddSingleton(Clock);
        });
        await _app.StartAsync();
        Http = new(new JustLooked(_app.GetTestServer().CreateHandler())) { BaseAddress = new("http://localhost/") };
        Bare = _app.GetTestClient();
        // As a program of one's own says where it belongs.
        foreach (var http in new[] { Http, Bare })
            http.DefaultRequestHeaders.Add("Origin", "http://localhost");
    }

    public async ValueTask DisposeAsync()
    {
        await _app!.DisposeAsync();
        Directory.Delete(_folder, recursive: true);
    }

    public async Task<JsonObject> GetAsync(string path) =>
        (await Http.GetFromJsonAsync<JsonObject>(path, TestContext.Current.CancellationToken))!;

    /// <summary>A page with this content, kept as a draft.</summary>
    public async Task<string> PageAsync(string title, params object[] content)
    {
        var made = await Http.PostAsJsonAsync(
            "/api/pages",
            new { kind = "page", title },
            TestContext.Current.CancellationToken
        );
        var id = (string)
            (await made.Content.ReadFromJsonAsync<JsonObject>(TestContext.Current.CancellationToken))!["id"]!;
        (await PutAsync(id, 1, title, content)).EnsureSuccessStatusCode();
        return id;
    }

    public Task<HttpResponseMessage> PatchAsync(string id, long version, params object[] operations)
    {
        var request = new HttpRequestMessage(HttpMethod.Patch, $"/api/pages/{id}/draft")
        {
            Content = JsonContent.Create(operations, new MediaTypeHeaderValue("application/json-patch+json")),
        };
        request.Headers.IfMatch.Add(new EntityTagHeaderValue($"\"{version}\""));
        return Http.SendAsync(request, TestContext.Current.CancellationToken);
    }

    public Task<HttpResponseMessage> PutAsync(string id, long? version, string title, params object[] content)
    {
        var request = new HttpRequestMessage(HttpMethod.Put, $"/api/pages/{id}/draft")
        {
            Content = JsonContent.Create(new { title, document = new { type = "doc", content } }),
        };
        if (version is not null)
            request.Headers.IfMatch.Add(new EntityTagHeaderValue($"\"{version}\""));
        return Http.SendAsync(request, TestContext.Current.CancellationToken);
    }

    public async Task<string> TakeInAsync(string demoFile)
    {
        return (string)
            (await GiveAsync(demoFile, await File.ReadAllBytesAsync(Path.Combine(Root, "demo", "files", demoFile))))[
                "id"
            ]!;
    }

    /// <summary>What became of one file that is given.</summary>
    public async Task<JsonObject> GiveAsync(string name, byte[] content, string? cookie = null)
    {
        using var form = new MultipartFormDataContent { { new ByteArrayContent(content), "file", name } };
        var request = new HttpRequestMessage(HttpMethod.Post, "/api/files") { Content = form };
        if (cookie is not null)
            request.Headers.Add("Cookie", cookie);
        var answer = await (
            await Http.SendAsync(request, TestContext.Current.CancellationToken)
        ).Content.ReadFromJsonAsync<JsonObject>(TestContext.Current.CancellationToken);
        return (JsonObject)answer!["files"]![0]!;
    }

    /// <summary>What is answered, be it good or a problem.</summary>
    /// <param name="version">From which a change starts; null to say none.</param>
    public async Task<(HttpStatusCode Status, JsonObject Body)> SendAsync(
        HttpMethod method,
        string path,
        object? body = null,
        long? version = null
    )
    {
        using var sent = new HttpRequestMessage(method, path)
        {
            Content = body is null ? null : JsonContent.Create(body),
        };
        if (version is { } from)
            sent.Headers.TryAddWithoutValidation("If-Match", $"\"{from}\"");
        var answer = await Http.SendAsync(sent, TestContext.Current.CancellationToken);
        return (
            answer.StatusCode,
            (await answer.Content.ReadFromJsonAsync<JsonObject>(TestContext.Current.CancellationToken))!
        );
    }

    /// <summary>What is answered where it has to go well.</summary>
    public async Task<JsonObject> PostAsync(string path, object? body = null) =>
        await SendAsync(HttpMethod.Post, path, body) is { Status: HttpStatusCode.OK } good
            ? good.Body
            : throw new InvalidOperationException($"POST {path} did not go well.");

    public static object Text(string words) =>
        new { type = "paragraph", content = new[] { new { type = "text", text = words } } };
}
