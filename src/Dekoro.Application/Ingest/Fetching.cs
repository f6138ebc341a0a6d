using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;
using Dekoro.Application.Hosting;
using Dekoro.Imaging;
using Dekoro.Intake;

namespace Dekoro.Application.Ingest;

/// <summary>
/// Fetches what a person names, from the public internet or the stand-ins, and never from this machine's own network.
/// </summary>
public sealed class Fetching : IDisposable
{
    private const int MaxRedirects = 5;

    /// <summary>For the answer to begin, and again for all of it to come.</summary>
    private static readonly TimeSpan MaxTime = TimeSpan.FromSeconds(30);

    /// <summary>For a large file to be sent and answered.</summary>
    private static readonly TimeSpan MaxSending = TimeSpan.FromMinutes(30);

    private readonly StandInDesk _standIns;
    private readonly DataOptions _places;
    private readonly HttpClient _http,
        _slow;

    /// <summary>A fetcher that reaches public addresses alone, beside what stands in for them here.</summary>
    public Fetching(DataOptions places, StandInDesk standIns)
    {
        (_standIns, _places) = (standIns, places);
        var handler = new SocketsHttpHandler
        {
            AllowAutoRedirect = false,
            UseCookies = false,
            UseProxy = false,
            ConnectTimeout = TimeSpan.FromSeconds(10),
            AutomaticDecompression = DecompressionMethods.All,
            ConnectCallback = ConnectAsync,
        };
        (_http, _slow) = (Client(handler, MaxTime), Client(handler, MaxSending));
    }

    /// <exception cref="NotFetchedException">Refused, not there, too slow, or not what can be read.</exception>
    public async Task<Fetched> GetAsync(Uri address, CancellationToken stop, long mostBytes = Limits.MaxFileBytes)
    {
        for (var hop = 0; hop <= MaxRedirects; hop++)
        {
            if (await _standIns.AnswerAsync(address, stop) is { } own)
                return new(address, own.MediaType, new MemoryStream(own.Content, writable: false));
            if (address.Scheme is not ("http" or "https"))
                throw new NotFetchedException(
                    $"Only addresses that begin with https:// or http:// are fetched, not {address.Scheme}:."
                );
            if (address.UserInfo.Length > 0)
                throw new NotFetchedException(
                    "The address holds a user name or password: take out what stands before the @."
                );
            using var request = new HttpRequestMessage(HttpMethod.Get, address);
            var answer = await AskAsync(_http, request, stop);
            if ((int)answer.StatusCode is >= 300 and < 400 && answer.Headers.Location is { } to)
            {
                answer.Dispose();
                address = new Uri(address, to);
                continue;
            }
            if (!answer.IsSuccessStatusCode)
            {
                var status = (int)answer.StatusCode;
                answer.Dispose();
                throw new NotFetchedException(
                    status is 404 or 410
                        ? $"{address.Host} has nothing at this address: check it in a browser."
                        : $"{address.Host} does not give this out (it answered {status}): open it in a browser, "
                            + "save it, and add the file."
                );
            }
            if (answer.Content.Headers.ContentLength > mostBytes)
            {
                answer.Dispose();
                throw TooLarge(address, mostBytes);
            }
            return new(
                address,
                answer.Content.Headers.ContentType?.MediaType ?? "",
                new LimitedStream(await answer.Content.ReadAsStreamAsync(stop), address, mostBytes)
            );
        }
        throw new NotFetchedException(
            $"This address leads on and on without arriving (more than {MaxRedirects} times): open it in a "
                + "browser, and give the address it ends at."
        );
    }

    /// <summary>The whole answer, held in memory.</summary>
    public async Task<byte[]> BytesAsync(Uri address, long mostBytes, CancellationToken stop)
    {
        await using var content = (await GetAsync(address, stop, mostBytes)).Content;
        using var all = new MemoryStream();
        await content.CopyToAsync(all, stop);
        return all.ToArray();
    }

    /// <summary>Sends something and gives the answer, whatever it is; nothing is followed elsewhere.</summary>
    /// <exception cref="NotFetchedException">Not there, or too slow.</exception>
    public async Task<HttpResponseMessage> SendAsync(HttpRequestMessage request, CancellationToken stop) =>
        await _standIns.SendAsync(request, stop) ?? await AskAsync(_slow, request, stop);

    /// <inheritdoc/>
    public void Dispose()
    {
        _http.Dispose();
        _slow.Dispose();
    }

    private static HttpClient Client(SocketsHttpHandler handler, TimeSpan maxTime)
    {
        var client = new HttpClient(handler) { Timeout = maxTime };
        client.DefaultRequestHeaders.UserAgent.ParseAdd("Dekoro/" + Product.Version);
        return client;
    }

    private static async Task<HttpResponseMessage> AskAsync(
        HttpClient http,
        HttpRequestMessage request,
        CancellationToken stop
    )
    {
        var host = request.RequestUri!.Host;
        try
        {
            return await http.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, stop);
        }
        catch (HttpRequestException e) when (e.InnerException is NotFetchedException refused)
        {
            throw refused;
        }
        catch (HttpRequestException e)
        {
            throw new NotFetchedException(
                $"{host} cannot be reached: check the address, or save the file and add it.",
                e
            );
        }
        catch (OperationCanceledException e) when (!stop.IsCancellationRequested)
        {
            throw new NotFetchedException(
                $"{host} did not answer within {http.Timeout.TotalSeconds:0} s: try it again later.",
                e
            );
        }
    }

    /// <summary>
    /// Looks the name up itself and connects to what it checked, so that a name cannot point elsewhere a moment later.
    /// </summary>
    private async ValueTask<Stream> ConnectAsync(SocketsHttpConnectionContext context, CancellationToken stop)
    {
        var end = context.DnsEndPoint;
        var isAllowed = _places.IsAllowed(end.Host, end.Port);
        var addresses = await Dns.GetHostAddressesAsync(end.Host, stop);
        var open = addresses.Where(a => isAllowed || PublicAddresses.IsPublic(a) && !IsOwn(a)).ToArray();
        if (open.Length == 0)
            throw new NotFetchedException(
                $"{end.Host} lies on this machine's own network, and nothing is fetched from there: save the "
                    + "file and add it, or have the host allowed in the settings."
            );
        if (!isAllowed && end.Port is not (80 or 443))
            throw new NotFetchedException(
                $"{end.Host} is asked at port {end.Port}, where web pages are not served as a rule: save the "
                    + "file and add it, or have the host allowed in the settings."
            );
        var socket = new Socket(SocketType.Stream, ProtocolType.Tcp) { NoDelay = true };
        try
        {
            await socket.ConnectAsync(open, end.Port, stop);
            return new NetworkStream(socket, ownsSocket: true);
        }
        catch
        {
            socket.Dispose();
            throw;
        }
    }

    /// <summary>
    /// A public address of this very machine: what listens there may take a neighbour's word for more.
    /// </summary>
    private static bool IsOwn(IPAddress address)
    {
        var plain = address.IsIPv4MappedToIPv6 ? address.MapToIPv4() : address;
        return NetworkInterface
            .GetAllNetworkInterfaces()
            .SelectMany(n => n.GetIPProperties().UnicastAddresses)
            .Any(own => own.Address.Equals(plain));
    }

    private static NotFetchedException TooLarge(Uri address, long mostBytes) =>
        new(
            $"What {address.Host} gives at this address is larger than {mostBytes >> 20} MB: save a smaller "
                + "copy and add that."
        );

    /// <summary>
    /// Breaks off where a server sends more than is taken, whatever it said before, or takes too long over it.
    /// </summary>
    private sealed class LimitedStream(Stream inner, Uri address, long mostBytes) : ForwardStream
    {
        private readonly CancellationTokenSource _clock = new(MaxTime);
        private long _read;

        public override async ValueTask<int> ReadAsync(
            Memory<byte> buffer,
            CancellationToken cancellationToken = default
        )
        {
            using var either = CancellationTokenSource.CreateLinkedTokenSource(cancellationToken, _clock.Token);
            try
            {
                var n = await inner.ReadAsync(buffer, either.Token);
                return (_read += n) <= mostBytes ? n : throw TooLarge(address, mostBytes);
            }
            catch (Exception e)
                when (e is IOException or HttpRequestException or OperationCanceledException
                    && !cancellationToken.IsCancellationRequested
                )
            {
                throw new NotFetchedException(
                    $"{address.Host} stopped answering in the middle: try it again later.",
                    e
                );
            }
        }

        protected override void Dispose(bool disposing)
        {
            if (disposing)
                inner.Dispose();
            if (disposing)
                _clock.Dispose();
            base.Dispose(disposing);
        }
    }
}
