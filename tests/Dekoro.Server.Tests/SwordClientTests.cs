using System.Collections.Concurrent;
using System.Security.Cryptography;
using Dekoro.Application.Ingest;
using Dekoro.Application.ToArchive;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace Dekoro.Server.Tests;

/// <summary>What goes over the wire to an archive that is none of ours.</summary>
public sealed class SwordClientTests : IAsyncLifetime
{
    private readonly ConcurrentQueue<(string Request, IHeaderDictionary Headers, byte[] Body)> _seen = new();
    private readonly string _file = Path.GetTempFileName();
    private string _state = "inProgress";
    private string _etag = "";
    private WebApplication _web = null!;
    private Fetching _fetching = null!;
    private SwordClient _sword = null!;
    private string _root = "";

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private DepositAddress At => new($"{_root}/service", "secret");

    private DepositedFile Kite =>
        new(_file, "Kite Ö.jpg", "image/jpeg", Convert.ToHexStringLower(SHA256.HashData(File.ReadAllBytes(_file))));

    public async ValueTask InitializeAsync()
    {
        await File.WriteAllBytesAsync(_file, RandomNumberGenerator.GetBytes(300_000), Stop);
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        _web = builder.Build();
        _web.Urls.Add("http://127.0.0.1:0");
        _web.Use(
            async (context, next) =>
            {
                using var body = new MemoryStream();
                await context.Request.Body.CopyToAsync(body);
                var request = context.Request;
                _seen.Enqueue(
                    (
                        $"{request.Method} {request.Path}",
                        new HeaderDictionary(request.Headers.ToDictionary()),
                        body.ToArray()
                    )
                );
                await next();
            }
        );
        _web.MapPost("/service", () => Results.Created($"{_root}/object/7", null));
        _web.MapPost("/elsewhere", () => Results.Created("http://other.example/object/7", null));
        _web.MapGet("/object/7", () => Results.Text(StatusNow(), "application/json"));
        _web.MapPost("/object/7", () => Results.Text(StatusNow(), "application/json"));
        _web.MapPut("/object/7/words", () => Results.NoContent());
        _web.MapPost("/busy", (HttpResponse response) =>
        {
            response.Headers.RetryAfter = "90";
            return Results.StatusCode(503);
        });
        _web.MapPost("/unknown", () => Refused(403, "AuthenticationFailed", "No such token"));
        _web.MapPost("/picky", () => Refused(415, "ContentTypeNotAcceptable", "Only stamps"));
        _web.MapGet("/page", () => Results.Text("<html>Welcome</html>", "text/html"));
        await _web.StartAsync(Stop);
        _root = _web.Services.GetRequiredService<IServer>().Features.Get<IServerAddressesFeature>()!.Addresses.First();
        var places = new Application.Hosting.DataOptions("unused", null, null)
        {
            AllowedHosts = [new Uri(_root).Authority],
        };
        _fetching = new Fetching(places, new StandInDesk(places));
        _sword = new SwordClient(_fetching);
    }

    public async ValueTask DisposeAsync()
    {
        _fetching.Dispose();
        await _web.DisposeAsync();
        File.Delete(_file);
    }

    [Theory]
    [InlineData("")]
    [InlineData("v1")]
    public async Task A_description_goes_first_and_the_file_closes_it_each_with_its_hash(string etag)
    {
        _etag = etag;
        var made = await _sword.BeginAsync(At, """{"dc:title": "Ödland"}""", Stop);
        Assert.Equal($"{_root}/object/7", made.AbsoluteUri);
        await _sword.CompleteAsync(At, made, Kite, Stop);

        var seen = _seen.ToArray();
        Assert.Equal(["POST /service", "GET /object/7", "POST /object/7"], seen.Select(s => s.Request));
        Assert.All(seen, s => Assert.Equal("Bearer secret", s.Headers.Authorization));
        var (_, described, words) = seen[0];
        Assert.Equal("""{"dc:title": "Ödland"}"""u8.ToArray(), words);
        Assert.Equal("attachment; metadata=true", described.ContentDisposition);
        Assert.Equal("application/json; charset=utf-8", described.ContentType);
        Assert.Equal("http://purl.org/net/sword/3.0/types/Metadata", described["Metadata-Format"]);
        Assert.Equal("true", described["In-Progress"]);
        var (_, handed, bytes) = seen[2];
        Assert.Equal(await File.ReadAllBytesAsync(_file, Stop), bytes);
        Assert.Equal(
            "attachment; filename*=utf-8''Kite%20%C3%96.jpg",
            handed.ContentDisposition.ToString(),
            ignoreCase: true
        );
        Assert.Equal("http://purl.org/net/sword/3.0/package/Binary", handed["Packaging"]);
        Assert.Equal("false", handed["In-Progress"]);
        Assert.Equal("image/jpeg", handed.ContentType);
        Assert.Equal(etag.Length > 0 ? "\"v1\"" : "", handed.IfMatch.ToString());
        foreach (var (_, headers, body) in new[] { seen[0], seen[2] })
            Assert.Equal("SHA-256=" + Convert.ToBase64String(SHA256.HashData(body)), headers["Digest"]);
    }

    [Fact]
    public async Task A_file_that_arrived_although_its_answer_was_lost_is_not_sent_twice()
    {
        _state = "ingested";
        await _sword.CompleteAsync(At, new($"{_root}/object/7"), Kite, Stop);
        Assert.Equal(["GET /object/7"], _seen.Select(s => s.Request));
    }

    [Fact]
    public async Task Other_words_go_where_the_archive_wants_them()
    {
        (_state, _etag) = ("ingested", "v3");
        await _sword.DescribeAsync(At, new($"{_root}/object/7"), "{}", Stop);
        var (request, headers, _) = _seen.Last();
        Assert.Equal(("PUT /object/7/words", "\"v3\""), (request, headers.IfMatch.ToString()));
    }

    [Theory]
    [InlineData("busy", DepositFailure.Later, "cannot take it just now")]
    [InlineData("unknown", DepositFailure.Settings, "does not take the token.*No such token")]
    [InlineData("picky", DepositFailure.Refused, "refused it.*Only stamps")]
    [InlineData("nothing", DepositFailure.Settings, "nothing at this address")]
    public async Task Each_way_of_failing_has_its_sentence_and_what_is_done_then(
        string path,
        DepositFailure failure,
        string says
    )
    {
        var error = await Assert.ThrowsAsync<DepositException>(() =>
            _sword.BeginAsync(At with { Address = $"{_root}/{path}" }, "{}", Stop)
        );
        Assert.Equal(failure, error.Failure);
        Assert.Matches(says, error.Message);
        Assert.Equal(path == "busy" ? TimeSpan.FromSeconds(90) : null, error.After);
    }

    [Fact]
    public async Task A_token_is_shown_to_nobody_but_the_archive_it_was_set_for()
    {
        var at = At with { Address = $"{_root}/elsewhere" };
        var made = await _sword.BeginAsync(at, "{}", Stop);
        var error = await Assert.ThrowsAsync<DepositException>(() => _sword.CompleteAsync(at, made, Kite, Stop));
        Assert.Equal(DepositFailure.Refused, error.Failure);
        Assert.Contains("other.example", error.Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_page_for_people_is_no_service_and_an_archive_that_is_away_is_left_alone()
    {
        var page = await Assert.ThrowsAsync<DepositException>(() =>
            _sword.ServiceAsync(At with { Address = $"{_root}/page" }, Stop)
        );
        Assert.Equal(DepositFailure.Settings, page.Failure);
        await _web.StopAsync(Stop);
        var away = await Assert.ThrowsAsync<DepositException>(() => _sword.ServiceAsync(At, Stop));
        Assert.Equal(DepositFailure.Away, away.Failure);
    }

    private string StatusNow() =>
        $$"""
            { "@id": "{{_root}}/object/7", "@type": "Status", {{(_etag.Length > 0 ? $"\"eTag\": \"{_etag}\"," : "")}}
              "metadata": { "@id": "{{_root}}/object/7/words"{{(_etag.Length > 0 ? $", \"eTag\": \"{_etag}\"" : "")}} },
              "state": [ { "@id": "http://purl.org/net/sword/3.0/state/{{_state}}" } ],
              "links": [ { "@id": "{{_root}}/object/7/kite.jpg",
                           "rel": ["http://purl.org/net/sword/3.0/terms/originalDeposit"] } ] }
            """;

    private static IResult Refused(int status, string type, string says) =>
        Results.Json(new Dictionary<string, string> { ["@type"] = type, ["error"] = says }, statusCode: status);
}
