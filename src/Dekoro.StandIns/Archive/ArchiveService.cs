using System.Globalization;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using NetVips;

namespace Dekoro.StandIns.Archive;

/// <summary>An archive that answers as the International Image Interoperability Framework asks.</summary>
/// <remarks>IIIF Presentation API 3.0; Image API 3.0, compliance level 0.</remarks>
internal static class ArchiveService
{
    public const string Prefix = StandIn.Prefix + "archive/";

    private const string Presentation = "http://iiif.io/api/presentation/3/context.json",
        Imaging = "http://iiif.io/api/image/3/context.json";
    private const string Rights = "http://creativecommons.org/licenses/by/4.0/";
    private static readonly int[] SmallerPx = [200, 600];

    /// <param name="path">Under the archive's own address.</param>
    /// <param name="root">The archive's own address, with a slash at its end.</param>
    public static StandInAnswer? Answer(string path, string root) =>
        path.Split('/') switch
        {
            ["collection.json"] => Json(Collection(root)),
            ["manifest", var file] when ItemOf(file, ".json") is { } item => Json(Manifest(item, root)),
            ["image", var n, "info.json"] when ItemOf(n, "") is { } item => Json(Info(item, root)),
            ["image", var n, "full", var size, "0", "default.jpg"]
                when ItemOf(n, "") is { } item && WidthOf(item, size) is { } width => Picture(item, width),
            _ => null,
        };

    private static JsonObject Collection(string root) =>
        new()
        {
            ["@context"] = Presentation,
            ["id"] = root + "collection.json",
            ["type"] = "Collection",
            ["label"] = En("Windle Sands Archive: kites and their makers"),
            ["summary"] = En($"{ArchiveItem.Count} kites from the stores, with maker, year and material."),
            ["items"] = new JsonArray([
                .. Enumerable
                    .Range(1, ArchiveItem.Count)
                    .Select(n => ArchiveItem.Of(n))
                    .Select(item => new JsonObject
                    {
                        ["id"] = ManifestId(item, root),
                        ["type"] = "Manifest",
                        ["label"] = En(item.Title),
                        ["thumbnail"] = new JsonArray(Body(item, root, SmallerPx[0])),
                    }),
            ]),
        };

    private static JsonObject Manifest(ArchiveItem item, string root)
    {
        var (id, canvas) = (ManifestId(item, root), $"{root}canvas/{item.Number}");
        return new()
        {
            ["@context"] = Presentation,
            ["id"] = id,
            ["type"] = "Manifest",
            ["label"] = En(item.Title),
            ["summary"] = En($"A kite of {item.Material}, made at {item.Place} in {item.Year}."),
            ["metadata"] = new JsonArray(
                Entry("Maker", item.Maker),
                Entry("Year", item.Year.ToString(CultureInfo.InvariantCulture)),
                Entry("Kind", item.Kind.ToString()),
                Entry("Material", item.Material),
                Entry("Place", item.Place),
                Entry("Number", item.Id)
            ),
            ["requiredStatement"] = new JsonObject
            {
                ["label"] = En("Credit"),
                ["value"] = En($"Windle Sands Archive, {item.Maker}"),
            },
            ["rights"] = Rights,
            ["thumbnail"] = new JsonArray(Body(item, root, SmallerPx[0])),
            ["items"] = new JsonArray(
                new JsonObject
                {
                    ["id"] = canvas,
                    ["type"] = "Canvas",
                    ["width"] = item.Look.WidthPx,
                    ["height"] = item.Look.HeightPx,
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
                                    ["body"] = Body(item, root, item.Look.WidthPx),
                                }
                            ),
                        }
                    ),
                }
            ),
        };
    }

    private static JsonObject Body(ArchiveItem item, string root, int widthPx) =>
        new()
        {
            ["id"] = $"{root}image/{item.Number}/full/{SizeAt(item, widthPx)}/0/default.jpg",
            ["type"] = "Image",
            ["format"] = "image/jpeg",
            ["width"] = widthPx,
            ["height"] = HeightAt(item, widthPx),
            ["service"] = new JsonArray(
                new JsonObject
                {
                    ["id"] = $"{root}image/{item.Number}",
                    ["type"] = "ImageService3",
                    ["profile"] = "level0",
                }
            ),
        };

    private static JsonObject Info(ArchiveItem item, string root) =>
        new()
        {
            ["@context"] = Imaging,
            ["id"] = $"{root}image/{item.Number}",
            ["type"] = "ImageService3",
            ["protocol"] = "http://iiif.io/api/image",
            ["profile"] = "level0",
            ["width"] = item.Look.WidthPx,
            ["height"] = item.Look.HeightPx,
            ["sizes"] = new JsonArray([
                .. SmallerPx
                    .Append(item.Look.WidthPx)
                    .Select(w => new JsonObject { ["width"] = w, ["height"] = HeightAt(item, w) }),
            ]),
        };

    private static StandInAnswer Picture(ArchiveItem item, int widthPx)
    {
        using var drawn = Image.ThumbnailBuffer(Encoding.UTF8.GetBytes(ItemDrawing.Of(item)), widthPx, height: 100_000);
        using var opaque = drawn.Flatten(background: [255.0]);
        return new("image/jpeg", opaque.JpegsaveBuffer(q: 82, optimizeCoding: true));
    }

    private static int? WidthOf(ArchiveItem item, string size) =>
        size == "max"
            ? item.Look.WidthPx
            : SmallerPx.Append(item.Look.WidthPx).Cast<int?>().FirstOrDefault(w => SizeAt(item, w!.Value) == size);

    private static string SizeAt(ArchiveItem item, int widthPx) =>
        string.Create(CultureInfo.InvariantCulture, $"{widthPx},{HeightAt(item, widthPx)}");

    private static int HeightAt(ArchiveItem item, int widthPx) =>
        (int)Math.Round((double)item.Look.HeightPx * widthPx / item.Look.WidthPx);

    private static string ManifestId(ArchiveItem item, string root) => $"{root}manifest/{item.Number}.json";

    private static ArchiveItem? ItemOf(string name, string ending) =>
        name.EndsWith(ending, StringComparison.Ordinal)
        && int.TryParse(name[..^ending.Length], NumberStyles.None, CultureInfo.InvariantCulture, out var n)
        && n is >= 1 and <= ArchiveItem.Count
            ? ArchiveItem.Of(n)
            : null;

    private static JsonObject En(string text) => new() { ["en"] = new JsonArray(text) };

    private static JsonObject Entry(string label, string value) =>
        new() { ["label"] = En(label), ["value"] = En(value) };

    private static StandInAnswer Json(JsonObject value) =>
        new("application/ld+json", JsonSerializer.SerializeToUtf8Bytes(value));
}
