using System.Net;
using Dekoro.Application.Hosting;

namespace Dekoro.Server.Hosting;

/// <summary>
/// What holds for every request: it names this machine, and comes from Dekoro's own pages. The public site and the sign
/// of life alone answer everybody.
/// </summary>
/// <remarks>Fetch Metadata Request Headers (W3C); RFC 6454, The Web Origin Concept; RFC 9110, 15.5.20 (421).</remarks>
internal sealed class Guard(DataOptions places)
{
    private readonly HashSet<string> _hosts = new(
        ["localhost", "127.0.0.1", "[::1]", .. places.Hosts],
        StringComparer.OrdinalIgnoreCase
    );

    public async Task InvokeAsync(HttpContext context, RequestDelegate next)
    {
        var (request, response) = (context.Request, context.Response);
        response.Headers.XContentTypeOptions = "nosniff";
        response.Headers["Referrer-Policy"] = "same-origin";
        if (places.SiteHost is { } site && request.Host.Host.Equals(site, StringComparison.OrdinalIgnoreCase))
        {
            // Under its own name the public site is all there is.
            request.Path = "/live" + request.Path;
        }
        else if (!IsForEverybody(request) && Refusal(request) is var (status, sentence))
        {
            await Problems.Of(status, sentence).ExecuteAsync(context);
            return;
        }
        await next(context);
    }

    /// <summary>The public site, and the sign of life.</summary>
    private static bool IsForEverybody(HttpRequest request) =>
        (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method))
        && (request.Path.StartsWithSegments("/live") || request.Path.Equals("/health"));

    private (int Status, string Sentence)? Refusal(HttpRequest request)
    {
        if (!_hosts.Contains(request.Host.Host))
            return (
                421,
                "Dekoro is not served under this name: open it by the address it printed when it started, or "
                    + "name this one in DEKORO_HOSTS."
            );
        var changes = !HttpMethods.IsGet(request.Method) && !HttpMethods.IsHead(request.Method);
        var (site, origin) = (request.Headers["Sec-Fetch-Site"].ToString(), request.Headers.Origin.ToString());
        if (
            site.Length > 0 && site is not ("same-origin" or "none") && !IsWayIn(request)
            || origin.Length > 0 && origin != $"{request.Scheme}://{request.Host}" && !(origin == "null" && !changes)
        )
            return (
                403,
                "This came from another site's page and was not carried out: open Dekoro itself and do it there."
            );
        // Programs of other houses hand in there, each with a token; no page of a browser comes without an origin.
        if (changes && site.Length == 0 && origin.Length == 0 && !request.Path.StartsWithSegments("/standins"))
            return (
                403,
                "This request does not say where it comes from and was not carried out: a program sends the "
                    + "header Origin with Dekoro's own address."
            );
        return null;
    }

    /// <summary>
    /// A link that leads here from elsewhere: it opens the tool in a window of its own, and nothing else.
    /// </summary>
    private static bool IsWayIn(HttpRequest request) =>
        HttpMethods.IsGet(request.Method)
        && request.Headers["Sec-Fetch-Mode"] == "navigate"
        && request.Headers["Sec-Fetch-Dest"] == "document"
        && !new[] { "/api", "/media", "/proof", "/stage", "/openapi", "/standins" }.Any(p =>
            request.Path.StartsWithSegments(p)
        );

    /// <summary>Why an address is not listened at; null where it is.</summary>
    public static string? RefusalOf(string urls)
    {
        foreach (var url in urls.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var address = BindingAddress.Parse(url);
            if (
                address.Host == "localhost"
                || IPAddress.TryParse(address.Host.Trim('[', ']'), out var ip) && IPAddress.IsLoopback(ip)
            )
                continue;
            return $"{url} would let in everybody on the network, and there are no accounts yet that could tell who "
                + "may do what: "
                + "listen at http://127.0.0.1 with a port, and put the published site (dekoro publish --out "
                + "DIR) on a web server.";
        }
        return null;
    }
}
