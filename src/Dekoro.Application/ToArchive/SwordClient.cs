using System.Net.Http.Headers;
using System.Security.Cryptography;
using Dekoro.Application.Ingest;
using Dekoro.Intake;
using Dekoro.Intake.Sword;

namespace Dekoro.Application.ToArchive;

/// <summary>Hands things to an archive.</summary>
/// <remarks>SWORD 3.0 Specification: 8.1 Retrieve the Service Document, 8.2.1 Metadata Deposit, 8.4.1 Append Binary
/// File, 8.3.1 Retrieve Status, 8.5.2 Replace Metadata; RFC 6750, the token; RFC 3230, digests.</remarks>
public sealed class SwordClient(Fetching fetching)
{
    private const int MaxAnswerBytes = 4 << 20;

    /// <exception cref="DepositException">No archive that takes deposits is there, or it does not know us.</exception>
    public async Task<SwordService> ServiceAsync(DepositAddress at, CancellationToken stop) =>
        Read((await SendAsync(new(HttpMethod.Get, DepositAt.UriOf(at.Address)), at, stop)).Body, SwordService.Read);

    /// <summary>Hands in a description; the file of it is to follow.</summary>
    /// <returns>The address of what was made.</returns>
    public async Task<Uri> BeginAsync(DepositAddress at, string words, CancellationToken stop)
    {
        var request = Describing(HttpMethod.Post, DepositAt.UriOf(at.Address), words);
        request.Headers.Add(SwordTerms.InProgressHeader, "true");
        var (location, body) = await SendAsync(request, at, stop);
        var made = location
            ?? (Uri.TryCreate(Read(body, SwordStatus.Read).Object, UriKind.Absolute, out var id) ? id : null);
        return made
            ?? throw new DepositException(
                DepositFailure.Later,
                "The archive took the description and did not say where it is: it is tried again."
            );
    }

    /// <summary>Hands in the file of what was begun, and closes it.</summary>
    public async Task CompleteAsync(DepositAddress at, Uri made, DepositedFile file, CancellationToken stop)
    {
        var status = await StatusAsync(at, made, stop);
        // The answer to an earlier try may have been lost on its way.
        if (status.IsWhole)
            return;
        await using var content = File.OpenRead(file.Path);
        var request = new HttpRequestMessage(HttpMethod.Post, made) { Content = new StreamContent(content) };
        request.Content.Headers.ContentType = new MediaTypeHeaderValue(file.MediaType);
        request.Content.Headers.ContentDisposition = new("attachment") { FileNameStar = file.Name };
        request.Headers.Add(SwordTerms.PackagingHeader, SwordTerms.Binary);
        request.Headers.Add(SwordTerms.InProgressHeader, "false");
        request.Headers.Add(SwordTerms.DigestHeader, DigestOf(Convert.FromHexString(file.Sha256)));
        GoOnFrom(request, status.ETag);
        await SendAsync(request, at, stop);
    }

    /// <summary>Hands in other words for what is there.</summary>
    public async Task DescribeAsync(DepositAddress at, Uri made, string words, CancellationToken stop)
    {
        var status = await StatusAsync(at, made, stop);
        if (!Uri.TryCreate(status.Metadata, UriKind.Absolute, out var metadata))
            throw new DepositException(
                DepositFailure.Refused,
                "The archive keeps the words it was given first: change them there."
            );
        var request = Describing(HttpMethod.Put, metadata, words);
        GoOnFrom(request, status.MetadataETag);
        await SendAsync(request, at, stop);
    }

    private async Task<SwordStatus> StatusAsync(DepositAddress at, Uri made, CancellationToken stop)
    {
        var status = Read((await SendAsync(new(HttpMethod.Get, made), at, stop)).Body, SwordStatus.Read);
        return status.IsTurnedDown
            ? throw new DepositException(
                DepositFailure.Refused,
                "The archive looked at it and does not keep it: ask whoever keeps the archive."
            )
            : status;
    }

    private static HttpRequestMessage Describing(HttpMethod method, Uri address, string words)
    {
        var bytes = System.Text.Encoding.UTF8.GetBytes(words);
        var request = new HttpRequestMessage(method, address) { Content = new ByteArrayContent(bytes) };
        request.Content.Headers.ContentType = new("application/json") { CharSet = "utf-8" };
        request.Content.Headers.Add("Content-Disposition", "attachment; metadata=true");
        request.Headers.Add(SwordTerms.MetadataFormatHeader, SwordTerms.MetadataFormat);
        request.Headers.Add(SwordTerms.DigestHeader, DigestOf(SHA256.HashData(bytes)));
        return request;
    }

    private static void GoOnFrom(HttpRequestMessage request, string etag)
    {
        if (etag.Length > 0)
            request.Headers.TryAddWithoutValidation("If-Match", $"\"{etag.Trim('"')}\"");
    }

    private static string DigestOf(byte[] sha256) => "SHA-256=" + Convert.ToBase64String(sha256);

    private async Task<(Uri? Location, byte[] Body)> SendAsync(
        HttpRequestMessage request,
        DepositAddress at,
        CancellationToken stop
    )
    {
        var service = DepositAt.UriOf(at.Address);
        // What an archive answers with may name any address, and the token is for its own alone.
        if (request.RequestUri!.GetLeftPart(UriPartial.Authority) != service.GetLeftPart(UriPartial.Authority))
            throw new DepositException(
                DepositFailure.Refused,
                $"The archive at {service.Host} sends on to {request.RequestUri.Host}, which was not set in Site."
            );
        if (at.Token.Length > 0)
            request.Headers.Authorization = new("Bearer", at.Token);
        try
        {
            using var sent = request;
            using var response = await fetching.SendAsync(request, stop);
            var body = await BodyOfAsync(response, stop);
            return response.IsSuccessStatusCode
                ? (response.Headers.Location is { } to ? new Uri(request.RequestUri, to) : null, body)
                : throw Failed(response, SwordError.Read(body), service.Host);
        }
        catch (NotFetchedException e)
        {
            // Fetching's own sentences are for whoever wants a file from there.
            throw e.InnerException is not null
                ? new DepositException(DepositFailure.Away, $"{service.Host} cannot be reached just now.")
                : new DepositException(
                    DepositFailure.Settings,
                    $"{service.Host} lies on this machine's own network or at a port that is not asked: have it "
                        + "allowed (DEKORO_FETCH_FROM), or set another address in Site, under Archive."
                );
        }
        catch (Exception e) when (e is HttpRequestException or IOException)
        {
            throw new DepositException(DepositFailure.Later, $"{service.Host} stopped answering in the middle.");
        }
    }

    private static T Read<T>(byte[] document, Func<byte[], T> reader)
    {
        try
        {
            return reader(document);
        }
        catch (UnreadableException e)
        {
            throw new DepositException(DepositFailure.Settings, e.Message);
        }
    }

    private static async Task<byte[]> BodyOfAsync(HttpResponseMessage response, CancellationToken stop)
    {
        await using var content = await response.Content.ReadAsStreamAsync(stop);
        using var held = new MemoryStream();
        var buffer = new byte[1 << 14];
        for (int n; (n = await content.ReadAsync(buffer, stop)) > 0; )
        {
            held.Write(buffer, 0, n);
            if (held.Length > MaxAnswerBytes)
                throw new DepositException(
                    DepositFailure.Settings,
                    "What the archive answers is too long for a document for deposits: check the address in Site."
                );
        }
        return held.ToArray();
    }

    private static DepositException Failed(HttpResponseMessage response, SwordError error, string host)
    {
        var said = error.Sentence.Length > 0 ? $" It says: “{error.Sentence}”" : "";
        return (int)response.StatusCode switch
        {
            401 or 403 => new(
                DepositFailure.Settings,
                $"{host} does not take the token: set the right one in Site, under Archive.{said}"
            ),
            404 or 410 when error.Type.Length == 0 => new(
                DepositFailure.Settings,
                $"{host} has nothing at this address: check it in Site, under Archive."
            ),
            408 or 425 or 429 or >= 500 => new(
                DepositFailure.Later,
                $"{host} cannot take it just now (it answered {(int)response.StatusCode}).{said}",
                response.Headers.RetryAfter?.Delta
            ),
            // Somebody else changed it there between our look and our change.
            412 when error.Type == "ETagNotMatched" => new(
                DepositFailure.Later,
                $"It was changed in the archive at the same moment.{said}"
            ),
            >= 300 and < 400 => new(
                DepositFailure.Settings,
                $"{host} takes deposits at another address: ask for it and set it in Site, under Archive."
            ),
            var status => new(
                DepositFailure.Refused,
                said.Length > 0 ? $"The archive refused it.{said}" : $"The archive refused it (it answered {status})."
            ),
        };
    }
}
