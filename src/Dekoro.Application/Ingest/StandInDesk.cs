using System.Net;
using System.Net.Http.Headers;
using Dekoro.Application.Hosting;
using Dekoro.StandIns;

namespace Dekoro.Application.Ingest;

/// <summary>
/// Answers for the stand-ins that ship with the program, in the same process: an address on this machine under their
/// path never becomes a request, unless its host is one that may be asked.
/// </summary>
public sealed class StandInDesk(DataOptions places)
{
    private readonly StandIn _standIn = new(Path.Combine(places.DataFolder, "standins"));

    /// <summary>Where a person gives an address with no host, it is of this program's own.</summary>
    public static readonly Uri Root = new("http://localhost/");

    /// <summary>Whatever comes to the stand-ins' addresses over the wire.</summary>
    public Task<StandInAnswer?> AnswerAsync(StandInRequest request, CancellationToken stop) =>
        _standIn.AnswerAsync(request, stop);

    /// <returns>Null for every address that is not a stand-in's.</returns>
    public async Task<StandInAnswer?> AnswerAsync(Uri address, CancellationToken stop)
    {
        if (!IsOwn(address))
            return null;
        return await _standIn.AnswerAsync(StandInRequest.Get(address), stop) is { Status: 200 } answer
            ? answer
            : throw new NotFetchedException($"There is nothing at {address.AbsolutePath}: check the address.");
    }

    /// <summary>The same for a request of any kind; null where it is not to a stand-in.</summary>
    public async Task<HttpResponseMessage?> SendAsync(HttpRequestMessage request, CancellationToken stop)
    {
        if (!IsOwn(request.RequestUri!))
            return null;
        await using var body = request.Content is null ? Stream.Null : await request.Content.ReadAsStreamAsync(stop);
        var answer = await _standIn.AnswerAsync(
            new(request.Method.Method, request.RequestUri!, name => HeaderOf(request, name), body),
            stop
        );
        var response = new HttpResponseMessage((HttpStatusCode)(answer?.Status ?? 404))
        {
            Content = new ByteArrayContent(answer?.Content ?? []),
        };
        if (answer is not null)
            response.Content.Headers.ContentType = new MediaTypeHeaderValue(answer.MediaType);
        response.Headers.Location = answer?.Location;
        return response;
    }

    private static string HeaderOf(HttpRequestMessage request, string name) =>
        request.Headers.NonValidated.TryGetValues(name, out var own) ? own.ToString()
        : request.Content?.Headers.NonValidated.TryGetValues(name, out var content) == true ? content.ToString()
        : "";

    private bool IsOwn(Uri address) =>
        address.IsLoopback
        && address.Scheme is "http" or "https"
        && address.AbsolutePath.StartsWith(StandIn.Prefix, StringComparison.Ordinal)
        && !places.IsAllowed(address.Host, address.Port);
}
