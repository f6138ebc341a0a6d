using System.Globalization;
using System.Net.Http.Headers;
using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Imaging;
using Dekoro.Intake.Sword;

namespace Dekoro.StandIns.Archive;

/// <summary>Where the archive takes deposits, and refuses what the library of Dekoro would refuse.</summary>
/// <remarks>SWORD 3.0 Specification: service document, object, metadata, binary file; RFC 6750 for the token; RFC 3230
/// for digests.</remarks>
internal sealed class ArchiveDesk(ArchiveShelf shelf)
{
    /// <summary>Its addresses, under those of the archive.</summary>
    public const string Under = "sword/";

    private const int MaxMetadataBytes = 1 << 20;

    /// <param name="path">After <see cref="Under"/>.</param>
    /// <param name="root">The archive's own address.</param>
    public async Task<StandInAnswer?> AnswerAsync(StandInRequest request, string path, Uri root, CancellationToken stop)
    {
        if (request.Header("Authorization") is not { Length: > 0 } shown)
            return Error(401, "AuthenticationRequired", "Say with a token who hands something in.");
        if (shown != "Bearer " + StandIn.Token)
            return Error(403, "AuthenticationFailed", "This token is not known here.");
        try
        {
            return (request.Method, path.Split('/')) switch
            {
                ("GET", ["service"]) => Answer(Service(root)),
                ("POST", ["service"]) => await BeginAsync(request, root, stop),
                (var method, ["object", var n, .. var rest]) when NumberOf(n) is { } number => shelf.Find(number)
                    is { } found
                    ? await OfObjectAsync(request, method, found, rest, root, stop)
                    : Error(404, "NotFound", "No deposit has this address."),
                _ => null,
            };
        }
        catch (RefusedFileException e)
        {
            return Error(415, "ContentTypeNotAcceptable", e.Message);
        }
    }

    private async Task<StandInAnswer?> OfObjectAsync(
        StandInRequest request,
        string method,
        Deposited found,
        string[] rest,
        Uri root,
        CancellationToken stop
    )
    {
        if (method == "GET")
            return rest switch
            {
                [] => Answer(Status(found, root)),
                ["metadata"] => Answer(Description(found)),
                _ => null,
            };
        if (rest is not ([] or ["metadata"]))
            return null;
        var known = request.Header("If-Match").Trim('"');
        if (known.Length == 0)
            return Error(412, "ETagRequired", "Name with If-Match the state that this goes on from.");
        if (known != found.ETag)
            return Error(412, "ETagNotMatched", "This deposit has changed since.");
        return (method, rest) switch
        {
            ("POST", []) => await AddFileAsync(request, found, root, stop),
            ("PUT", ["metadata"]) => await DescribeAsync(request, found, stop),
            _ => Error(405, "MethodNotAllowed", "This cannot be done here."),
        };
    }

    private async Task<StandInAnswer> BeginAsync(StandInRequest request, Uri root, CancellationToken stop)
    {
        if (!request.Header("Content-Disposition").Contains("metadata=true", StringComparison.Ordinal))
            return Error(400, "BadRequest", "Hand in the description first, then the file.");
        var (words, refusal) = await WordsAsync(request, stop);
        if (words is null)
            return refusal!;
        var begun = shelf.Begin(words);
        return Answer(Status(begun, root), 201, ObjectOf(begun, root));
    }

    private async Task<StandInAnswer> DescribeAsync(StandInRequest request, Deposited found, CancellationToken stop)
    {
        var (words, refusal) = await WordsAsync(request, stop);
        if (words is null)
            return refusal!;
        return shelf.Change(found.Number, found.ETag, d => d with { Words = words }) is null
            ? Error(412, "ETagNotMatched", "This deposit has changed since.")
            : new StandInAnswer("application/json", [], 204);
    }

    private async Task<(IReadOnlyDictionary<string, string>?, StandInAnswer?)> WordsAsync(
        StandInRequest request,
        CancellationToken stop
    )
    {
        if (
            request.Header(SwordTerms.MetadataFormatHeader) is { Length: > 0 } format
            && format != SwordTerms.MetadataFormat
        )
            return (
                null,
                Error(415, "MetadataFormatNotAcceptable", $"Descriptions in the form {format} are not read.")
            );
        if (await shelf.ReceiveAsync(request.Body, MaxMetadataBytes, stop) is not var (path, sha256))
            return (null, Error(413, "MaxUploadSizeExceeded", "This description is too long."));
        try
        {
            if (!IsAsSaid(request, sha256))
                return (null, Error(412, "DigestMismatch", "What came is not what was sent."));
            using var json = JsonDocument.Parse(await File.ReadAllBytesAsync(path, stop));
            var words = json
                .RootElement.EnumerateObject()
                .Where(p =>
                    p.Name.StartsWith("dc", StringComparison.Ordinal) && p.Value.ValueKind == JsonValueKind.String
                )
                .ToDictionary(p => p.Name, p => p.Value.GetString()!);
            return words.GetValueOrDefault("dc:title", "").Length == 0
                ? (null, Error(400, "ContentMalformed", "A description needs a title (dc:title)."))
                : (words, null);
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException)
        {
            return (null, Error(400, "ContentMalformed", "This description is not the JSON that it should be."));
        }
        finally
        {
            File.Delete(path);
        }
    }

    /// <exception cref="RefusedFileException">Not a picture, damaged, or beyond the limits.</exception>
    private async Task<StandInAnswer> AddFileAsync(
        StandInRequest request,
        Deposited found,
        Uri root,
        CancellationToken stop
    )
    {
        if (request.Header(SwordTerms.PackagingHeader) is not (SwordTerms.Binary or ""))
            return Error(415, "PackagingFormatNotAcceptable", "Files are taken as they are, not packed.");
        if (await shelf.ReceiveAsync(request.Body, Limits.MaxFileBytes, stop) is not var (path, sha256))
            return Error(
                413,
                "MaxUploadSizeExceeded",
                $"This file is larger than {Limits.MaxFileBytes >> 20} MB: hand in a smaller copy."
            );
        try
        {
            if (!IsAsSaid(request, sha256))
                return Error(412, "DigestMismatch", "What came is not what was sent.");
            Probed probed;
            using (var file = File.OpenRead(path))
                probed = Probe.Read(path, Probe.FormatOf(file));
            shelf.Keep(path, sha256);
            var came = new DepositedFile(
                NameIn(request),
                request.Header("Content-Type"),
                sha256,
                probed.Size.Width,
                probed.Size.Height,
                DateTimeOffset.UtcNow
            );
            var isOpen = request.Header(SwordTerms.InProgressHeader).Equals("true", StringComparison.OrdinalIgnoreCase);
            return shelf.Change(found.Number, found.ETag, d => d with { File = came, IsOpen = isOpen }) is { } now
                ? Answer(Status(now, root))
                : Error(412, "ETagNotMatched", "This deposit has changed since.");
        }
        finally
        {
            File.Delete(path);
        }
    }

    /// <summary>The name it has with its owner, without what could lead elsewhere.</summary>
    private static string NameIn(StandInRequest request)
    {
        ContentDispositionHeaderValue.TryParse(request.Header("Content-Disposition"), out var said);
        var name = (said?.FileNameStar ?? said?.FileName ?? "file").Trim('"');
        return name[(name.LastIndexOfAny(['/', '\\']) + 1)..];
    }

    /// <summary>Whether what came has the hash that was sent along; true where none was.</summary>
    private static bool IsAsSaid(StandInRequest request, string sha256)
    {
        const string Prefix = "SHA-256=";
        var said = request.Header(SwordTerms.DigestHeader);
        return !said.StartsWith(Prefix, StringComparison.OrdinalIgnoreCase)
            || said[Prefix.Length..] == Convert.ToBase64String(Convert.FromHexString(sha256));
    }

    private static JsonObject Service(Uri root) =>
        new()
        {
            ["@context"] = SwordTerms.Context,
            ["@id"] = new Uri(root, Under + "service").AbsoluteUri,
            ["@type"] = "ServiceDocument",
            ["dc:title"] = "Windle Sands Archive",
            ["dcterms:abstract"] = "Takes photographs of kites with their descriptions.",
            ["root"] = new Uri(root, Under + "service").AbsoluteUri,
            ["acceptDeposits"] = true,
            ["version"] = SwordTerms.Version,
            ["maxUploadSize"] = Limits.MaxFileBytes,
            ["accept"] = new JsonArray("image/*"),
            ["acceptPackaging"] = new JsonArray(SwordTerms.Binary),
            ["acceptMetadata"] = new JsonArray(SwordTerms.MetadataFormat),
            ["byReferenceDeposit"] = false,
            ["onBehalfOf"] = false,
            ["digest"] = new JsonArray("SHA-256"),
            ["authentication"] = new JsonArray("APIKey"),
        };

    private static JsonObject Status(Deposited deposited, Uri root)
    {
        var id = ObjectOf(deposited, root).AbsoluteUri;
        var links = new JsonArray();
        if (deposited.File is { } file)
            links.Add(
                new JsonObject
                {
                    ["@id"] = $"{id}/file/{Uri.EscapeDataString(file.Name)}",
                    ["rel"] = new JsonArray(SwordTerms.OriginalDeposit),
                    ["contentType"] = file.MediaType,
                    ["packaging"] = SwordTerms.Binary,
                    ["depositedOn"] = file.CameAt.ToString("s", CultureInfo.InvariantCulture) + "Z",
                }
            );
        return new()
        {
            ["@context"] = SwordTerms.Context,
            ["@id"] = id,
            ["@type"] = "Status",
            ["eTag"] = deposited.ETag,
            ["metadata"] = new JsonObject { ["@id"] = id + "/metadata", ["eTag"] = deposited.ETag },
            ["fileSet"] = new JsonObject { ["@id"] = id + "/files", ["eTag"] = deposited.ETag },
            ["service"] = new Uri(root, Under + "service").AbsoluteUri,
            ["state"] = new JsonArray(
                new JsonObject { ["@id"] = deposited.IsOpen ? SwordTerms.InProgress : SwordTerms.Ingested }
            ),
            ["actions"] = new JsonObject
            {
                ["getMetadata"] = true,
                ["getFiles"] = false,
                ["appendMetadata"] = false,
                ["appendFiles"] = true,
                ["replaceMetadata"] = true,
                ["replaceFiles"] = false,
                ["deleteMetadata"] = false,
                ["deleteFiles"] = false,
                ["deleteObject"] = false,
            },
            ["links"] = links,
        };
    }

    private static JsonObject Description(Deposited deposited)
    {
        var json = new JsonObject { ["@context"] = SwordTerms.Context, ["@type"] = "Metadata" };
        foreach (var (term, words) in deposited.Words)
            json[term] = words;
        return json;
    }

    private static Uri ObjectOf(Deposited deposited, Uri root) => new(root, $"{Under}object/{deposited.Number}");

    private static int? NumberOf(string text) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : null;

    private static StandInAnswer Answer(JsonObject json, int status = 200, Uri? location = null) =>
        new("application/json", JsonSerializer.SerializeToUtf8Bytes(json), status, location);

    private static StandInAnswer Error(int status, string type, string sentence) =>
        Answer(
            new()
            {
                ["@context"] = SwordTerms.Context,
                ["@type"] = type,
                ["timestamp"] = DateTimeOffset.UtcNow.ToString("s", CultureInfo.InvariantCulture) + "Z",
                ["error"] = sentence,
            },
            status
        );
}
