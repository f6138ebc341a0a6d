using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace Dekoro.Server.Tests;

/// <summary>Fetching against a server of the worst manners, allowed by its host and port.</summary>
public sealed class FetchingTests : IAsyncLifetime
{
    private WebApplication _web = null!;
    private Fetching _fetching = null!;
    private Uri _root = null!;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        _web = builder.Build();
        _web.Urls.Add("http://127.0.0.1:0");
        _web.MapGet("/good", () => Results.Text("good", "text/plain"));
        _web.MapGet("/moved", () => Results.Redirect("/good"));
        _web.MapGet("/inside", () => Results.Redirect("http://127.0.0.1:1/secret"));
        _web.MapGet("/file", () => Results.Redirect("file:///etc/passwd"));
        _web.MapGet("/round", () => Results.Redirect("/round"));
        _web.MapGet("/forbidden", () => Results.StatusCode(403));
        _web.MapGet("/endless", async (HttpResponse response, CancellationToken stop) =>
        {
            for (var i = 0; i < 64; i++)
                await response.Body.WriteAsync(new byte[1 << 16], stop);
        });
        _web.MapGet("/short", async (HttpContext context) =>
        {
            context.Response.ContentLength = 1000;
            await context.Response.Body.WriteAsync(new byte[10]);
            await context.Response.Body.FlushAsync();
            context.Abort();
        });
        _web.MapGet("/standins/archive/collection.json", () => "of another house");
        await _web.StartAsync(Stop);
        _root = new Uri(
            _web.Services.GetRequiredService<IServer>().Features.Get<IServerAddressesFeature>()!.Addresses.First()
        );
        _fetching = new Fetching(
            new DataOptions("unused", null, null) { AllowedHosts = [_root.Authority] },
            new StandInDesk(new("unused", null, null))
        );
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task A_host_that_is_allowed_with_or_without_its_port_is_asked_itself_and_no_stand_in(bool hasPort)
    {
        var places = new DataOptions("unused", null, null) { AllowedHosts = [hasPort ? _root.Authority : _root.Host] };
        using var fetching = new Fetching(places, new StandInDesk(places));
        Assert.Equal(
            "of another house"u8.ToArray(),
            await fetching.BytesAsync(new(_root, "/standins/archive/collection.json"), 1000, Stop)
        );
    }

    [Theory]
    [InlineData("/good")]
    [InlineData("/moved")]
    public async Task What_is_allowed_is_fetched_also_where_it_has_moved(string path) =>
        Assert.Equal("good"u8.ToArray(), await _fetching.BytesAsync(new(_root, path), 1000, Stop));

    [Theory]
    [InlineData("/inside", "own network")]
    [InlineData("/file", "Only addresses that begin with")]
    [InlineData("/round", "leads on and on")]
    [InlineData("/forbidden", "answered 403")]
    [InlineData("/nothing", "has nothing at this address")]
    [InlineData("/endless", "is larger than")]
    [InlineData("/short", "stopped answering in the middle|cannot be reached")]
    public async Task Bad_manners_are_met_with_a_sentence(string path, string says)
    {
        var error = await Assert.ThrowsAsync<NotFetchedException>(() =>
            _fetching.BytesAsync(new(_root, path), 1 << 20, Stop)
        );
        Assert.Matches(says, error.Message);
    }

    [Fact]
    public async Task The_same_machine_under_another_port_stays_closed()
    {
        using var closed = new Fetching(
            new DataOptions("unused", null, null),
            new StandInDesk(new("unused", null, null))
        );
        Assert.Contains(
            "own network",
            (await Assert.ThrowsAsync<NotFetchedException>(() => closed.GetAsync(new(_root, "/good"), Stop))).Message,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData("http://8.8.8.8:8080/")]
    [InlineData("http://8.8.8.8:22/")]
    [InlineData("https://8.8.8.8:6379/")]
    public async Task Ports_where_no_web_pages_are_served_are_not_asked(string address)
    {
        using var closed = new Fetching(
            new DataOptions("unused", null, null),
            new StandInDesk(new("unused", null, null))
        );
        Assert.Contains(
            "is asked at port",
            (await Assert.ThrowsAsync<NotFetchedException>(() => closed.GetAsync(new(address), Stop))).Message,
            StringComparison.Ordinal
        );
    }

    public async ValueTask DisposeAsync()
    {
        _fetching.Dispose();
        await _web.DisposeAsync();
    }
}
