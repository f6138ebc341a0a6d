using System.Text;
using System.Text.Json.Nodes;
using Dekoro.Core.Media;
using Dekoro.Intake.Sword;

namespace Dekoro.Intake.Tests;

/// <summary>Documents of deposits, as the specification of SWORD 3.0 shows them (9.2, 9.4, 9.6, 9.7).</summary>
public sealed class SwordTests
{
    private const string Service = """
        {
          "@context" : "https://swordapp.github.io/swordv3/swordv3.jsonld",
          "@id" : "http://example.com/service-document",
          "@type" : "ServiceDocument",
          "dc:title" : "Site Name",
          "dcterms:abstract" : "Site Description",
          "root" : "http://example.com/service-document",
          "acceptDeposits": true,
          "version": "http://purl.org/net/sword/3.0",
          "maxUploadSize" : 16777216000,
          "maxByReferenceSize" : 30000000000000000,
          "maxSegmentSize" : 16777216000,
          "minSegmentSize" : 1,
          "maxAssembledSize" : 30000000000000,
          "maxSegments" : 1000,
          "accept" : ["*/*"],
          "acceptArchiveFormat" : ["application/zip"],
          "acceptPackaging" : ["*"],
          "acceptMetadata" : ["http://purl.org/net/sword/3.0/types/Metadata"],
          "collectionPolicy" : { "@id" : "http://example.com/policy", "description" : "..." },
          "treatment" : { "@id" : "http://example.com/treatment", "description" : "..." },
          "staging" : "http://example.com/staging",
          "stagingMaxIdle" : 3600,
          "byReferenceDeposit" : true,
          "onBehalfOf" : true,
          "digest" : ["SHA-256", "SHA", "MD5"],
          "authentication": ["Basic", "OAuth", "Digest", "APIKey"],
          "services" : [ { "@id": "http://swordapp.org/deposit/43", "@type" : "ServiceDocument",
                           "dc:title" : "Deposit Service Name", "acceptDeposits": true } ]
        }
        """;

    private const string Status = """
        {
          "@context" : "https://swordapp.github.io/swordv3/swordv3.jsonld",
          "@id" : "http://www.myorg.ac.uk/sword3/object1",
          "@type" : "Status",
          "eTag" : "...",
          "metadata" : { "@id" : "http://www.myorg.ac.uk/sword3/object1/metadata", "eTag" : "m1" },
          "fileSet" : { "@id" : "http://www.myorg.ac.uk/sword3/object1/fileset", "eTag" : "..." },
          "service" : "http://www.myorg.ac.uk/sword3/service-document",
          "state" : [ { "@id" : "http://purl.org/net/sword/3.0/state/inProgress",
                        "description" : "the item is currently inProgress" } ],
          "actions" : { "getMetadata" : true, "getFiles" : true, "appendMetadata" : true, "appendFiles" : true,
                        "replaceMetadata" : true, "replaceFiles" : true, "deleteMetadata" : true,
                        "deleteFiles" : true, "deleteObject" : true },
          "links" : [
            { "@id" : "http://www.myorg.ac.uk/col1/mydeposit.html", "rel" : ["alternate"],
              "contentType" : "text/html" },
            { "@id" : "http://www.myorg.ac.uk/sword3/object1/package.zip",
              "rel" : ["http://purl.org/net/sword/3.0/terms/originalDeposit"], "contentType" : "application/zip",
              "packaging" : "http://purl.org/net/sword/3.0/package/SimpleZip", "depositedOn" : "[timestamp]",
              "depositedBy" : "[user identifier]", "status" : "http://purl.org/net/sword/3.0/filestate/ingested" },
            { "@id" : "http://www.swordserver.ac.uk/sword3/object1/file1.pdf",
              "rel" : ["http://purl.org/net/sword/3.0/terms/fileSetFile",
                       "http://purl.org/net/sword/3.0/terms/derivedResource"] }
          ]
        }
        """;

    [Fact]
    public void What_an_archive_says_of_itself_is_read_and_held_to()
    {
        var service = SwordService.Read(Bytes(Service));
        Assert.Equal(("Site Name", true, 16777216000), (service.Title, service.TakesDeposits, service.MaxBytes));
        Assert.Equal(["http://swordapp.org/deposit/43"], service.Services);
        Assert.Null(service.Refusal("image/jpeg", 5_000_000));
        Assert.Contains("at most 16777.2 MB", service.Refusal("image/jpeg", 20_000_000_000), StringComparison.Ordinal);
        Assert.NotNull((service with { TakesDeposits = false }).Refusal("image/jpeg", 1));
        Assert.NotNull((service with { MediaTypes = ["image/tiff", "text/*"] }).Refusal("image/jpeg", 1));
        Assert.Null((service with { MediaTypes = ["image/*"] }).Refusal("image/jpeg", 1));
        Assert.NotNull((service with { MetadataFormats = ["http://www.loc.gov/mods"] }).Refusal("image/jpeg", 1));
    }

    [Fact]
    public void How_a_deposit_stands_is_read()
    {
        var status = SwordStatus.Read(Bytes(Status));
        Assert.Equal("http://www.myorg.ac.uk/sword3/object1", status.Object);
        Assert.Equal(
            ("...", "http://www.myorg.ac.uk/sword3/object1/metadata", "m1"),
            (status.ETag, status.Metadata, status.MetadataETag)
        );
        Assert.Equal(["package.zip"], status.Files);
        Assert.Equal("http://www.myorg.ac.uk/col1/mydeposit.html", status.Page);
        Assert.Equal((false, false), (status.IsWhole, status.IsTurnedDown));
        Assert.True(
            SwordStatus.Read(Bytes(Status.Replace("inProgress", "ingested", StringComparison.Ordinal))).IsWhole
        );
        Assert.True(
            SwordStatus.Read(Bytes(Status.Replace("inProgress", "rejected", StringComparison.Ordinal))).IsTurnedDown
        );
    }

    [Theory]
    [InlineData("<html>Not found</html>")]
    [InlineData("[]")]
    [InlineData("""{"@type": "Error"}""")]
    public void What_is_another_document_is_not_taken_for_one(string answer)
    {
        Assert.Throws<UnreadableException>(() => SwordService.Read(Bytes(answer)));
        Assert.Throws<UnreadableException>(() => SwordStatus.Read(Bytes(answer)));
        Assert.Equal("", SwordError.Read(Bytes(answer)).Sentence);
    }

    [Fact]
    public void Why_something_was_refused_is_read_whatever_stands_round_it() =>
        Assert.Equal(
            new SwordError("BadRequest", "The request was malformed"),
            SwordError.Read(
                Bytes(
                    """
                    { "@context": "https://swordapp.github.io/swordv3/swordv3.jsonld", "@type": "BadRequest",
                      "timestamp": "2018-01-01T00:00:00Z", "error": "The request\nwas malformed", "log": "..." }
                    """
                )
            )
        );

    [Fact]
    public void All_words_of_a_picture_go_along_and_nothing_that_is_empty()
    {
        var words = new PictureMetadata(
            "Kite “Ödland”",
            "A red kite over dunes",
            "Opening day",
            "Found in the loft.",
            "Photo: Ilse Marwick",
            "All rights with the museum",
            Folder: "Inside only",
            Keywords: "red, dunes;wind"
        );
        var document = JsonNode.Parse(SwordMetadata.Write(words, "P1.jpg", "1964-05-01"))!.AsObject();
        Assert.Equal(
            new Dictionary<string, string>
            {
                ["@context"] = "https://swordapp.github.io/swordv3/swordv3.jsonld",
                ["@type"] = "Metadata",
                ["dc:title"] = "Kite “Ödland”",
                ["dcterms:abstract"] = "Opening day",
                ["dc:description"] = "A red kite over dunes\n\nFound in the loft.",
                ["dc:creator"] = "Photo: Ilse Marwick",
                ["dc:rights"] = "All rights with the museum",
                ["dc:subject"] = "red; dunes; wind",
                ["dcterms:created"] = "1964-05-01",
            },
            document.ToDictionary(p => p.Key, p => (string)p.Value!)
        );
        var none = JsonNode.Parse(SwordMetadata.Write(new PictureMetadata(), "P1.jpg", null))!.AsObject();
        Assert.Equal(["@context", "@type", "dc:title"], none.Select(p => p.Key));
    }

    private static byte[] Bytes(string text) => Encoding.UTF8.GetBytes(text);
}
