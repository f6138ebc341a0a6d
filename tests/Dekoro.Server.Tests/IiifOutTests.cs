using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Dekoro.Intake;
using Json.Schema;
using NetVips;

namespace Dekoro.Server.Tests;

/// <summary>What the public site shows is read by viewers of other houses, and nothing else is.</summary>
public sealed class IiifOutTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private const string Site = "https://kites.example";

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task What_is_public_stands_the_schemas_is_read_by_our_own_reader_and_has_the_sizes_it_says()
    {
        var shown = new List<string>();
        foreach (
            var name in new[]
            {
                "skerry-light.jpg",
                "kite-cut-out.png",
                "beach-early.tif",
                "bunting.svg",
                "tail-in-the-wind.gif",
            }
        )
            shown.Add(await server.TakeInAsync(name));
        var unseen = await server.TakeInAsync("line-reel.jpg");
        await server.SendAsync(
            HttpMethod.Patch,
            $"/api/files/{shown[0]}",
            new
            {
                title = "Skerry “Light”",
                caption = "The lamp was lit in 1901.",
                credit = "Photo: Sada Quill",
                rights = "https://creativecommons.org/licenses/by/4.0/",
            },
            1
        );
        await server.PageAsync(
            "Shown",
            [
                new
                {
                    type = "figure",
                    attrs = (object)
                        new
                        {
                            asset = shown[0],
                            size = "half",
                            shape = "1:1",
                        },
                },
                new
                {
                    type = "figure",
                    attrs = (object)
                        new
                        {
                            asset = shown[0],
                            size = "third",
                            shape = "16:9",
                        },
                },
                .. shown
                    .Skip(1)
                    .Select(id => new { type = "figure", attrs = (object)new { asset = id, size = "column" } }),
            ]
        );
        var off = await server.PageAsync("Off", new { type = "figure", attrs = new { asset = unseen, size = "wide" } });
        using var switched = new HttpRequestMessage(HttpMethod.Patch, $"/api/pages/{off}")
        {
            Content = JsonContent.Create(new { isOn = false }),
        };
        (await server.Http.SendAsync(switched, Stop)).EnsureSuccessStatusCode();

        await SetAsync(isOn: true);
        Assert.Contains("iiif/collection.json", await ChangingAsync());
        await server.PostAsync("/api/publish", new { });
        Assert.DoesNotContain("iiif/collection.json", await ChangingAsync());

        var read = await ArchiveReader.ReadAsync(new($"{Site}/iiif/collection.json"), BytesAsync, Stop);
        Assert.Empty(read.LeftOut);
        // Neither a drawing nor what moves, and nothing of a page that is off.
        Assert.Equal(shown.Take(3).Select(Manifest), read.Entries.Select(e => e.Manifest));
        var light = read.Entries[0];
        Assert.Equal(
            ("Skerry “Light”", "The lamp was lit in 1901.", "Photo: Sada Quill"),
            (light.Label, light.Summary, light.Credit)
        );
        Assert.Equal("https://creativecommons.org/licenses/by/4.0/", light.Rights);
        // No place shows more of it than the square.
        Assert.Equal(light.WidthPx, light.HeightPx);

        Assert.Empty(Faults("presentation-3", await BytesAsync(read.Address, Stop)));
        Assert.NotEmpty(Faults("presentation-3", await BytesAsync(new(light.Manifest, "info.json"), Stop)));
        foreach (var entry in read.Entries)
            await StandsAsync(entry);
        var answer = await server.Http.GetAsync("/live/iiif/collection.json", Stop);
        Assert.Equal(["*"], answer.Headers.GetValues("Access-Control-Allow-Origin"));

        await IsRenamedAsync(shown[1], read.Address);
        await SetAsync(isOn: false);
        Assert.Contains("iiif/collection.json", await ChangingAsync());
        await server.PostAsync("/api/publish", new { });
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await server.Http.GetAsync("/live/iiif/collection.json", Stop)).StatusCode
        );
    }

    [Theory]
    [InlineData("")]
    [InlineData("kites.example")]
    [InlineData("ftp://kites.example")]
    [InlineData("https://kites.example/?page=1")]
    public async Task Without_an_address_that_others_can_reach_it_is_not_switched_on(string address)
    {
        var (status, problem) = await server.SendAsync(HttpMethod.Put, "/api/site/iiif", new { isOn = true, address });
        Assert.Equal((HttpStatusCode.BadRequest, "address"), (status, (string)problem["field"]!));
    }

    /// <summary>What was worked out before is not taken for what is said now.</summary>
    private async Task IsRenamedAsync(string id, Uri collection)
    {
        await server.SendAsync(HttpMethod.Patch, $"/api/files/{id}", new { title = "Cut free" }, 1);
        Assert.Contains("iiif/collection.json", await ChangingAsync());
        await server.PostAsync("/api/publish", new { });
        var again = await ArchiveReader.ReadAsync(collection, BytesAsync, Stop);
        Assert.Contains(again.Entries, e => e.Label == "Cut free");
    }

    private async Task StandsAsync(ArchiveEntry entry)
    {
        Assert.Empty(Faults("presentation-3", await BytesAsync(entry.Manifest, Stop)));
        var image = entry.Manifest.AbsoluteUri[..^"/manifest.json".Length];
        var info = await BytesAsync(new(image + "/info.json"), Stop);
        Assert.Empty(Faults("image-3", info));
        var sizes = JsonNode.Parse(info)!["sizes"]!.AsArray();
        foreach (var (width, height) in sizes.Select(s => ((int)s!["width"]!, (int)s["height"]!)))
        {
            using var file = Image.NewFromBuffer(
                await BytesAsync(new($"{image}/full/{width},{height}/0/default.jpg"), Stop)
            );
            Assert.Equal((width, height, "jpegload_buffer"), (file.Width, file.Height, file.Get("vips-loader")));
        }
        using var whole = Image.NewFromBuffer(await BytesAsync(entry.Picture, Stop));
        Assert.Equal((entry.WidthPx, entry.HeightPx), (whole.Width, whole.Height));
    }

    private static Uri Manifest(string id) => new($"{Site}/iiif/{id}/manifest.json");

    private async Task SetAsync(bool isOn) =>
        Assert.Equal(
            HttpStatusCode.OK,
            (await server.SendAsync(HttpMethod.Put, "/api/site/iiif", new { isOn, address = Site + "/" })).Status
        );

    private async Task<IEnumerable<string>> ChangingAsync() =>
        (await server.GetAsync("/api/publish"))["otherFiles"]!.AsArray().Select(f => (string)f!);

    /// <summary>The site as it stands under its own name.</summary>
    private Task<byte[]> BytesAsync(Uri address, CancellationToken stop) =>
        server.Http.GetByteArrayAsync("/live" + address.AbsolutePath, stop);

    private static IEnumerable<string> Faults(string schema, byte[] document)
    {
        var path = Path.Combine(ServerFixture.Root, "tests", "fixtures", "iiif", schema + ".schema.json");
        var result = JsonSchema
            .FromFile(path)
            .Evaluate(
                JsonNode.Parse(document),
                new EvaluationOptions { OutputFormat = OutputFormat.List, RequireFormatValidation = true }
            );
        return result.IsValid
            ? []
            : result
                .Details.Where(d => d.HasErrors)
                .SelectMany(d => d.Errors!.Select(e => $"{d.InstanceLocation} {e}"));
    }
}
