using System.Collections.Immutable;
using System.Text.Json;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Media;

namespace Dekoro.Intake;

/// <summary>Reads a collection and all its manifests.</summary>
/// <remarks>IIIF Presentation API 3.0, and the shapes of 2.1 that still stand in many archives; Image API
/// 3.0.</remarks>
public sealed class ArchiveReader
{
    private const int MaxManifests = 2000,
        MaxEntries = 5000,
        MaxDepth = 6,
        AtOnce = 8,
        MaxLeftOut = 50;

    /// <summary>Licences of archives ask that whoever made a picture is named wherever it is shown.</summary>
    public const CaptionSource ShownWith = CaptionSource.Credit;

    private readonly FetchBytes _fetch;
    private readonly HashSet<Uri> _seen = [];
    private readonly List<LeftOut> _leftOut = [];

    private ArchiveReader(FetchBytes fetch) => _fetch = fetch;

    /// <param name="address">Of a collection or of a single manifest.</param>
    /// <exception cref="UnreadableException">What answers is neither.</exception>
    public static async Task<ArchiveCatalogue> ReadAsync(Uri address, FetchBytes fetch, CancellationToken stop)
    {
        var reader = new ArchiveReader(fetch);
        using var root = Parsed(address, await fetch(address, stop));
        var manifests = new List<(Uri Address, JsonDocument? Read)>();
        reader._seen.Add(address);
        if (IsManifest(root.RootElement))
            manifests.Add((address, root));
        else if (IsCollection(root.RootElement))
            await reader.GatherAsync(address, root.RootElement, manifests, 0, stop);
        else
            throw new UnreadableException(
                $"{address.Host} answers, but not with a collection of pictures (IIIF): give the address of "
                    + "its collection or manifest."
            );
        var entries = new ImmutableArray<ArchiveEntry>[manifests.Count];
        await Parallel.ForAsync(
            0,
            manifests.Count,
            new ParallelOptions { MaxDegreeOfParallelism = AtOnce, CancellationToken = stop },
            async (i, token) => entries[i] = await reader.EntriesAsync(manifests[i].Address, manifests[i].Read, token)
        );
        return new(
            address,
            Text(root.RootElement, "label"),
            Text(root.RootElement, "summary"),
            [.. entries.SelectMany(e => e).Take(MaxEntries)],
            [.. reader._leftOut]
        );
    }

    /// <summary>What was chosen of a catalogue, as a proposal with its labels, credits, rights and sources.</summary>
    public static Proposal Propose(ArchiveCatalogue catalogue, IEnumerable<int> chosen)
    {
        var pictures = chosen
            .Distinct()
            .Where(i => i >= 0 && i < catalogue.Entries.Length)
            .Select(i => (Key: $"p{i}", Entry: catalogue.Entries[i]))
            .ToList();
        return new(
            ProposalKind.Archive,
            catalogue.Label,
            catalogue.Address.Host,
            null,
            Document.Empty,
            [
                .. pictures.Select(p => new FoundPicture(
                    p.Key,
                    NameOf(p.Entry),
                    new PictureMetadata(
                        p.Entry.Label,
                        Description: p.Entry.Summary,
                        Credit: p.Entry.Credit,
                        Rights: p.Entry.Rights,
                        Source: p.Entry.Manifest.AbsoluteUri
                    ),
                    new PictureContent.Remote(p.Entry.Picture)
                )),
            ],
            []
        );
    }

    private async Task GatherAsync(
        Uri address,
        JsonElement collection,
        List<(Uri, JsonDocument?)> manifests,
        int depth,
        CancellationToken stop
    )
    {
        foreach (
            var item in new[] { "items", "manifests", "collections", "members" }.SelectMany(name =>
                List(collection, name)
            )
        )
        {
            if (Address(item, address) is not { } at)
                continue;
            // Collections that hold each other would be read for ever.
            if (!_seen.Add(at))
                continue;
            if (manifests.Count >= MaxManifests)
            {
                LeaveOut(
                    Text(item, "label"),
                    $"Only the first {MaxManifests} entries are read at once: give the address of a smaller "
                        + "collection."
                );
                return;
            }
            if (IsManifest(item))
                manifests.Add((at, null));
            else if (
                IsCollection(item)
                && depth < MaxDepth
                && await FetchedAsync(at, Text(item, "label"), stop) is { } inner
            )
            {
                using (inner)
                    await GatherAsync(at, inner.RootElement, manifests, depth + 1, stop);
            }
        }
    }

    private async Task<ImmutableArray<ArchiveEntry>> EntriesAsync(
        Uri address,
        JsonDocument? read,
        CancellationToken stop
    )
    {
        var fetched = read is null ? await FetchedAsync(address, address.AbsolutePath, stop) : null;
        if ((read ?? fetched) is not { } json)
            return [];
        using (fetched)
        {
            var manifest = json.RootElement;
            var canvases = List(manifest, "items")
                .Concat(List(manifest, "sequences").SelectMany(s => List(s, "canvases")))
                .ToList();
            var entries = canvases
                .Select(canvas => EntryOf(address, manifest, canvas, canvases.Count > 1))
                .OfType<ArchiveEntry>()
                .ToImmutableArray();
            if (entries.IsEmpty)
                LeaveOut(
                    Text(manifest, "label") is { Length: > 0 } label ? label : address.AbsolutePath,
                    "It describes no picture."
                );
            return entries;
        }
    }

    private static ArchiveEntry? EntryOf(Uri address, JsonElement manifest, JsonElement canvas, bool isOneOfMany)
    {
        var body = BodyOf(canvas);
        if (body.ValueKind != JsonValueKind.Object || Address(body, address) is not { } picture)
            return null;
        // A server of level 0 gives out whole files only; from level 1 on any size can be asked for.
        var sizes = SizesAt(body, address);
        if (sizes is not null)
            picture = Under(sizes, "full/max/0/default.jpg");
        var thumbnail = ThumbnailOf(isOneOfMany ? canvas : manifest, address)
            ?? (sizes is null ? picture : Under(sizes, "full/300,/0/default.jpg"));
        var credit = List(manifest, "requiredStatement").Select(s => Text(s, "value")).FirstOrDefault()
            ?? Text(manifest, "attribution");
        return new(
            address,
            LabelOf(manifest, isOneOfMany ? Text(canvas, "label") : ""),
            Text(manifest, "summary") is { Length: > 0 } s ? s : Text(manifest, "description"),
            FieldsOf(manifest),
            credit,
            Raw(manifest, "rights") is { Length: > 0 } rights ? rights : Raw(manifest, "license"),
            picture,
            thumbnail,
            Number(body, canvas, "width"),
            Number(body, canvas, "height")
        );
    }

    /// <summary>The first picture painted on a canvas (IIIF Presentation 3.0; 2.1 names it otherwise).</summary>
    private static JsonElement BodyOf(JsonElement canvas) =>
        List(canvas, "items")
            .SelectMany(page => List(page, "items"))
            .SelectMany(a => List(a, "body"))
            .Concat(List(canvas, "images").SelectMany(i => List(i, "resource")))
            .SelectMany(b => TypeOf(b) == "choice" ? List(b, "items") : [b])
            .FirstOrDefault(b => TypeOf(b).EndsWith("image", StringComparison.Ordinal));

    /// <returns>Where any size of it can be asked for; null where only whole files are given out.</returns>
    private static Uri? SizesAt(JsonElement body, Uri address)
    {
        var service = List(body, "service").FirstOrDefault();
        var isStatic =
            service.ValueKind != JsonValueKind.Object
            || Raw(service, "profile").Contains("level0", StringComparison.Ordinal);
        return isStatic ? null : Address(service, address);
    }

    private static Uri? ThumbnailOf(JsonElement of, Uri address) =>
        List(of, "thumbnail")
            .Select(t => t.ValueKind == JsonValueKind.String ? Resolved(t.GetString()!, address) : Address(t, address))
            .FirstOrDefault(t => t is not null);

    private static string LabelOf(JsonElement manifest, string part)
    {
        var label = Text(manifest, "label");
        return part.Length > 0 ? $"{label}, {part}" : label;
    }

    private static ImmutableArray<ArchiveField> FieldsOf(JsonElement manifest) =>
        [
            .. List(manifest, "metadata")
                .Select(m => new ArchiveField(Text(m, "label"), Text(m, "value")))
                .Where(f => f.Value.Length > 0),
        ];

    private async Task<JsonDocument?> FetchedAsync(Uri address, string name, CancellationToken stop)
    {
        try
        {
            return Parsed(address, await _fetch(address, stop));
        }
        catch (UnreadableException e)
        {
            LeaveOut(name, e.Message);
            return null;
        }
    }

    private void LeaveOut(string name, string sentence)
    {
        lock (_leftOut)
        {
            if (_leftOut.Count < MaxLeftOut)
                _leftOut.Add(new(name, sentence));
        }
    }

    private static JsonDocument Parsed(Uri address, byte[] content)
    {
        try
        {
            return JsonDocument.Parse(content, new JsonDocumentOptions { AllowTrailingCommas = true, MaxDepth = 64 });
        }
        catch (JsonException e)
        {
            throw new UnreadableException(
                $"What {address.Host} gives at this address is not the description of a collection (JSON): "
                    + "give the address of its collection or manifest.",
                e
            );
        }
    }

    private static string NameOf(ArchiveEntry entry) =>
        entry.Label.Length > 0 ? entry.Label : Uri.UnescapeDataString(entry.Picture.Segments[^1]);

    private static bool IsManifest(JsonElement e) => TypeOf(e) is "manifest" or "sc:manifest";

    private static bool IsCollection(JsonElement e) => TypeOf(e) is "collection" or "sc:collection";

    private static string TypeOf(JsonElement e) =>
        (Raw(e, "type") is { Length: > 0 } type ? type : Raw(e, "@type")).ToLowerInvariant();

    private static Uri? Address(JsonElement e, Uri near) =>
        Resolved(Raw(e, "id") is { Length: > 0 } id ? id : Raw(e, "@id"), near);

    private static Uri? Resolved(string text, Uri near) =>
        text.Length > 0 && Uri.TryCreate(near, text, out var whole) && whole.Scheme is "http" or "https" ? whole : null;

    private static Uri Under(Uri service, string path) => new(service.AbsoluteUri.TrimEnd('/') + "/" + path);

    private static string Raw(JsonElement e, string name) =>
        e.ValueKind == JsonValueKind.Object && e.TryGetProperty(name, out var v) && v.ValueKind == JsonValueKind.String
            ? v.GetString()!
            : "";

    private static int Number(JsonElement e, JsonElement otherwise, string name) =>
        e.TryGetProperty(name, out var v) && v.ValueKind == JsonValueKind.Number && v.TryGetInt32(out var n) ? n
        : otherwise.TryGetProperty(name, out v) && v.ValueKind == JsonValueKind.Number && v.TryGetInt32(out n) ? n
        : 0;

    /// <summary>A list, a single thing as a list of one, or nothing.</summary>
    private static IEnumerable<JsonElement> List(JsonElement e, string name) =>
        e.ValueKind != JsonValueKind.Object || !e.TryGetProperty(name, out var v) ? []
        : v.ValueKind == JsonValueKind.Array ? v.EnumerateArray()
        : v.ValueKind is JsonValueKind.Null or JsonValueKind.Undefined ? []
        : [v];

    /// <summary>A text in one of its languages, English first; markup taken out.</summary>
    private static string Text(JsonElement e, string name)
    {
        if (e.ValueKind != JsonValueKind.Object || !e.TryGetProperty(name, out var v))
            return "";
        return Plain(InOneLanguage(v));
    }

    private static string InOneLanguage(JsonElement v) =>
        v.ValueKind switch
        {
            JsonValueKind.String => v.GetString()!,
            JsonValueKind.Array => string.Join("; ", v.EnumerateArray().Select(InOneLanguage).Where(t => t.Length > 0)),
            JsonValueKind.Object when v.TryGetProperty("@value", out var value) => InOneLanguage(value),
            JsonValueKind.Object when v.TryGetProperty("en", out var english) => InOneLanguage(english),
            JsonValueKind.Object => v.EnumerateObject()
                .Select(p => InOneLanguage(p.Value))
                .FirstOrDefault(t => t.Length > 0)
                ?? "",
            _ => "",
        };

    private static string Plain(string text) =>
        text.Contains('<', StringComparison.Ordinal)
            ? string.Join(
                ' ',
                HtmlReader
                    .Read(text)
                    .Words.Blocks.OfType<ParagraphBlock>()
                    .SelectMany(p => p.Inlines)
                    .OfType<TextRun>()
                    .Select(r => r.Text)
            )
            : text.Trim();
}
