using System.Text;
using System.Text.Json;
using Dekoro.StandIns;

namespace Dekoro.Intake.Tests;

public sealed class ArchiveTests
{
    private static readonly Uri Own = new("http://archive.example/standins/archive/collection.json");

    [Fact]
    public async Task The_archive_of_two_hundred_is_read_with_credits_rights_and_sources()
    {
        var read = await StandInAsync();
        Assert.Equal((200, 0), (read.Entries.Length, read.LeftOut.Length));
        Assert.All(read.Entries, e =>
        {
            Assert.StartsWith("Windle Sands Archive, ", e.Credit, StringComparison.Ordinal);
            Assert.StartsWith("http://creativecommons.org/", e.Rights, StringComparison.Ordinal);
            Assert.Equal(["Maker", "Year", "Kind", "Material", "Place", "Number"], e.Fields.Select(f => f.Label));
            Assert.True(e is { WidthPx: >= 1000, HeightPx: >= 1000 });
        });
        var proposal = ArchiveReader.Propose(read, [4, 4, 17, 900]);
        Assert.Equal(
            [read.Entries[4].Manifest.AbsoluteUri, read.Entries[17].Manifest.AbsoluteUri],
            proposal.Pictures.Select(p => p.Words.Source)
        );
        Assert.Equal([read.Entries[4].Label, read.Entries[17].Label], proposal.Pictures.Select(p => p.Words.Title));
        var bytes = await GivenAsync(
            Assert.IsType<PictureContent.Remote>(proposal.Pictures[0].Content).Address,
            TestContext.Current.CancellationToken
        );
        Assert.Equal((byte[])[0xFF, 0xD8, 0xFF], bytes[..3]);
    }

    [Fact]
    public async Task Any_field_narrows_a_search_and_its_counts_come_true()
    {
        var read = await StandInAsync();
        var lanterns = ArchiveSearch.Find(read, "lantern maker:\"Tobias Renn\"");
        Assert.NotEmpty(lanterns.Found);
        Assert.All(lanterns.Found, i =>
            Assert.Contains(read.Entries[i].Fields, f => f is { Label: "Maker", Value: "Tobias Renn" })
        );
        Assert.Equal(ArchiveSearch.Find(read, "LANT").Found, ArchiveSearch.Find(read, "lantern").Found);
        Assert.Empty(ArchiveSearch.Find(read, "antern").Found);
        foreach (var choice in lanterns.Choices)
            Assert.Equal(
                choice.IsOn ? ArchiveSearch.Find(read, "lantern").Found.Length : choice.Count,
                ArchiveSearch.Find(read, choice.Line).Found.Length
            );
        Assert.Single(lanterns.Choices, c => c.IsOn);
        Assert.Equal(200, ArchiveSearch.Find(read, "").Found.Length);
    }

    [Fact]
    public async Task Collections_in_collections_are_read_once_even_where_they_hold_each_other()
    {
        var web = new Web
        {
            ["a"] = new
            {
                type = "Collection",
                label = new { en = new[] { "All" } },
                items = new object[]
                {
                    new { id = At("b"), type = "Collection" },
                    new { id = At("m"), type = "Manifest" },
                },
            },
            ["b"] = new
            {
                type = "Collection",
                items = new object[]
                {
                    new { id = At("a"), type = "Collection" },
                    new { id = At("m"), type = "Manifest" },
                    new
                    {
                        id = At("gone"),
                        type = "Manifest",
                        label = "Gone",
                    },
                },
            },
            ["m"] = Manifest("One"),
        };
        var read = await web.ReadAsync("a");
        Assert.Equal("One", Assert.Single(read.Entries).Label);
        Assert.Equal("/gone", Assert.Single(read.LeftOut).Name);
    }

    [Fact]
    public async Task The_older_shape_of_manifests_is_read_too_and_markup_in_labels_is_not_kept()
    {
        var web = new Web
        {
            ["m"] = new Dictionary<string, object>
            {
                ["@type"] = "sc:Manifest",
                ["label"] = "<b>Box</b> kite",
                ["attribution"] = new { @value = "x" },
                ["license"] = "https://rights.example/cc",
                ["metadata"] = new[] { new { label = "Maker", value = new[] { "Per", "Sada" } } },
                ["sequences"] = new[]
                {
                    new
                    {
                        canvases = new[]
                        {
                            new
                            {
                                images = new[]
                                {
                                    new
                                    {
                                        resource = new Dictionary<string, object>
                                        {
                                            ["@id"] = At("p.jpg"),
                                            ["@type"] = "dctypes:Image",
                                            ["width"] = 900,
                                            ["service"] = new Dictionary<string, object>
                                            {
                                                ["@id"] = At("iiif/7"),
                                                ["profile"] = "http://iiif.io/api/image/2/level1.json",
                                            },
                                        },
                                    },
                                },
                            },
                        },
                    },
                },
            },
        };
        var entry = Assert.Single((await web.ReadAsync("m")).Entries);
        Assert.Equal("Box kite", string.Join(' ', entry.Label.Split(' ', StringSplitOptions.RemoveEmptyEntries)));
        Assert.Equal(
            ("https://rights.example/cc", "Per; Sada", 900),
            (entry.Rights, entry.Fields[0].Value, entry.WidthPx)
        );
        Assert.Equal(At("iiif/7") + "/full/max/0/default.jpg", entry.Picture.AbsoluteUri);
    }

    [Theory]
    [InlineData("not json at all")]
    [InlineData("""{"type":"Something","items":[]}""")]
    [InlineData("""["Collection"]""")]
    [InlineData("")]
    public async Task What_is_no_archive_is_refused_in_a_sentence(string content)
    {
        var error = await Assert.ThrowsAsync<UnreadableException>(() =>
            ArchiveReader.ReadAsync(
                new(At("x")),
                (_, _) => Task.FromResult(Encoding.UTF8.GetBytes(content)),
                TestContext.Current.CancellationToken
            )
        );
        Assert.EndsWith("give the address of its collection or manifest.", error.Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Odd_values_anywhere_cost_their_entry_and_not_the_others()
    {
        var broken = new object[]
        {
            new { id = At("n1"), type = "Manifest" },
            new { id = 7, type = "Manifest" },
            "text",
            new { id = "javascript:alert(1)", type = "Manifest" },
            new { id = At("m"), type = "Manifest" },
        };
        var web = new Web
        {
            ["a"] = new { type = "Collection", items = broken },
            ["n1"] = new
            {
                type = "Manifest",
                items = new object[] { 5, new { items = "x" } },
                metadata = "none",
            },
            ["m"] = Manifest("Good"),
        };
        var read = await web.ReadAsync("a");
        Assert.Equal(["Good"], read.Entries.Select(e => e.Label));
        Assert.Equal("It describes no picture.", Assert.Single(read.LeftOut).Sentence);
    }

    [Theory]
    [InlineData("127.0.0.1", false)]
    [InlineData("10.1.2.3", false)]
    [InlineData("172.31.255.1", false)]
    [InlineData("192.168.1.1", false)]
    [InlineData("169.254.169.254", false)]
    [InlineData("100.64.0.1", false)]
    [InlineData("0.0.0.0", false)]
    [InlineData("224.0.0.1", false)]
    [InlineData("::1", false)]
    [InlineData("::ffff:127.0.0.1", false)]
    [InlineData("::ffff:10.0.0.1", false)]
    [InlineData("fd00::1", false)]
    [InlineData("fe80::1", false)]
    [InlineData("fec0::1", false)]
    [InlineData("::7f00:1", false)]
    [InlineData("::8.8.8.8", false)]
    [InlineData("64:ff9b::7f00:1", false)]
    [InlineData("2002:7f00:1::", false)]
    [InlineData("172.32.0.1", true)]
    [InlineData("8.8.8.8", true)]
    [InlineData("2606:4700::1111", true)]
    public void Only_the_public_internet_is_fetched_from(string address, bool isPublic) =>
        Assert.Equal(isPublic, PublicAddresses.IsPublic(System.Net.IPAddress.Parse(address)));

    private static string At(string path) => "https://iiif.example/" + path;

    private static object Manifest(string label) =>
        new
        {
            type = "Manifest",
            label = new { de = new[] { label } },
            items = new[]
            {
                new
                {
                    items = new[] { new { items = new[] { new { body = new { id = At("p.jpg"), type = "Image" } } } } },
                },
            },
        };

    private static async Task<byte[]> GivenAsync(Uri at, CancellationToken stop) =>
        (await new StandIn("unused").AnswerAsync(StandInRequest.Get(at), stop))!.Content;

    private static Task<ArchiveCatalogue> StandInAsync() =>
        ArchiveReader.ReadAsync(Own, GivenAsync, TestContext.Current.CancellationToken);

    /// <summary>A few addresses that answer, by path.</summary>
    private sealed class Web : Dictionary<string, object>
    {
        public Task<ArchiveCatalogue> ReadAsync(string path) =>
            ArchiveReader.ReadAsync(
                new(At(path)),
                (at, _) =>
                    TryGetValue(at.AbsolutePath[1..], out var found)
                        ? Task.FromResult(JsonSerializer.SerializeToUtf8Bytes(found))
                        : throw new UnreadableException("It is not there."),
                TestContext.Current.CancellationToken
            );
    }
}
