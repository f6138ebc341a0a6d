using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Core.Geometry;

namespace Dekoro.Intake.Iiif;

/// <summary>Describes pictures to viewers of other houses; what is written here, the archive's reader reads.</summary>
/// <remarks>IIIF Presentation API 3.0; Image API 3.0, compliance level 0.</remarks>
/// <param name="language">Of the words (BCP 47).</param>
public sealed class IiifWriter(string language)
{
    /// <summary>What all documents are served as (Presentation API 3.0, 6.2).</summary>
    public const string MediaType = "application/ld+json";

    /// <summary>The largest there is, under the address of a picture.</summary>
    public const string WholePath = "full/max/0/default.jpg";

    private const string Presentation = "http://iiif.io/api/presentation/3/context.json",
        Imaging = "http://iiif.io/api/image/3/context.json";

    /// <summary>Rights are named by addresses of these two houses alone (Presentation API 3.0, rights).</summary>
    private static readonly string[] RightsOf =
    [
        "http://creativecommons.org/",
        "https://creativecommons.org/",
        "http://rightsstatements.org/",
        "https://rightsstatements.org/",
    ];

    /// <summary>Where a file of this size lies under the address of its picture.</summary>
    public static string PathOf(PixelSize size) => $"full/{Written(size)}/0/default.jpg";

    /// <summary>A document as it is served.</summary>
    public static byte[] Bytes(JsonObject document) => JsonSerializer.SerializeToUtf8Bytes(document);

    /// <summary>A collection of pictures, each by its manifest.</summary>
    public JsonObject Collection(Uri id, string label, string summary, IEnumerable<IiifPicture> pictures)
    {
        var collection = new JsonObject
        {
            ["@context"] = Presentation,
            ["id"] = id.AbsoluteUri,
            ["type"] = "Collection",
            ["label"] = Words(label),
        };
        if (summary.Length > 0)
            collection["summary"] = Words(summary);
        collection["items"] = new JsonArray([
            .. pictures.Select(picture => new JsonObject
            {
                ["id"] = picture.Manifest.AbsoluteUri,
                ["type"] = "Manifest",
                ["label"] = Words(picture.Label),
                ["thumbnail"] = new JsonArray(File(picture, picture.Sizes[0])),
            }),
        ]);
        return collection;
    }

    /// <summary>One picture on one canvas.</summary>
    public JsonObject Manifest(IiifPicture picture)
    {
        var manifest = new JsonObject
        {
            ["@context"] = Presentation,
            ["id"] = picture.Manifest.AbsoluteUri,
            ["type"] = "Manifest",
            ["label"] = Words(picture.Label),
        };
        if (picture.Summary.Length > 0)
            manifest["summary"] = Words(picture.Summary);
        var isAddress = RightsOf.Any(house => picture.Rights.StartsWith(house, StringComparison.Ordinal));
        var fields = picture.Fields.Where(f => f.Value.Length > 0);
        if (!isAddress && picture.Rights.Length > 0)
            fields = fields.Append(new("Rights", picture.Rights));
        if (fields.Select(f => Pair(f.Label, f.Value)).ToArray() is { Length: > 0 } pairs)
            manifest["metadata"] = new JsonArray([.. pairs]);
        if (picture.Credit.Length > 0)
            manifest["requiredStatement"] = Pair("Credit", picture.Credit);
        if (isAddress)
            manifest["rights"] = picture.Rights;
        manifest["thumbnail"] = new JsonArray(File(picture, picture.Sizes[0]));
        manifest["items"] = new JsonArray(Canvas(picture));
        return manifest;
    }

    /// <summary>What sizes of a picture there are.</summary>
    public static JsonObject Info(IiifPicture picture) =>
        new()
        {
            ["@context"] = Imaging,
            ["id"] = picture.Image.AbsoluteUri,
            ["type"] = "ImageService3",
            ["protocol"] = "http://iiif.io/api/image",
            ["profile"] = "level0",
            ["width"] = picture.Whole.Width,
            ["height"] = picture.Whole.Height,
            ["sizes"] = new JsonArray([
                .. picture.Sizes.Select(size => new JsonObject { ["width"] = size.Width, ["height"] = size.Height }),
            ]),
        };

    private static JsonObject Canvas(IiifPicture picture)
    {
        var canvas = picture.Manifest.AbsoluteUri + "/canvas";
        return new()
        {
            ["id"] = canvas,
            ["type"] = "Canvas",
            ["width"] = picture.Whole.Width,
            ["height"] = picture.Whole.Height,
            ["items"] = new JsonArray(
                new JsonObject
                {
                    ["id"] = canvas + "/page",
                    ["type"] = "AnnotationPage",
                    ["items"] = new JsonArray(
                        new JsonObject
                        {
                            ["id"] = canvas + "/painting",
                            ["type"] = "Annotation",
                            ["motivation"] = "painting",
                            ["target"] = canvas,
                            ["body"] = File(picture, picture.Whole),
                        }
                    ),
                }
            ),
        };
    }

    private static JsonObject File(IiifPicture picture, PixelSize size) =>
        new()
        {
            ["id"] = $"{picture.Image.AbsoluteUri}/{PathOf(size)}",
            ["type"] = "Image",
            ["format"] = "image/jpeg",
            ["width"] = size.Width,
            ["height"] = size.Height,
            ["service"] = new JsonArray(
                new JsonObject
                {
                    ["id"] = picture.Image.AbsoluteUri,
                    ["type"] = "ImageService3",
                    ["profile"] = "level0",
                }
            ),
        };

    private static string Written(PixelSize size) =>
        string.Create(CultureInfo.InvariantCulture, $"{size.Width},{size.Height}");

    private JsonObject Words(string text) => new() { [language] = new JsonArray(text) };

    private JsonObject Pair(string label, string value) => new() { ["label"] = Words(label), ["value"] = Words(value) };
}
