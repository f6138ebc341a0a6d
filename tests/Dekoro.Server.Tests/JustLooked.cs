using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Dekoro.Server.Tests;

/// <summary>
/// Names with If-Match what stands there now where a change says nothing of it, as the tool does for a person who has
/// just looked. What two people do to one another is tried in LostUpdateTests, without this.
/// </summary>
public sealed partial class JustLooked(HttpMessageHandler inner) : DelegatingHandler(inner)
{
    protected override async Task<HttpResponseMessage> SendAsync(HttpRequestMessage request, CancellationToken stop)
    {
        if (
            request.Method != HttpMethod.Get
            && request.Headers.IfMatch.Count == 0
            && await SeenAsync(request, stop) is { } seen
        )
            request.Headers.TryAddWithoutValidation("If-Match", $"\"{seen}\"");
        return await base.SendAsync(request, stop);
    }

    private async Task<string?> SeenAsync(HttpRequestMessage request, CancellationToken stop)
    {
        var path = request.RequestUri!.AbsolutePath;
        if (path == "/api/columns")
            return await ReadAsync(request, path, a => a["version"], stop);
        if (path == "/api/site/style")
            return await ReadAsync(request, path, a => a["seen"], stop);
        if (Asset().Match(path) is { Success: true } asset)
        {
            if (path.EndsWith("/merge", StringComparison.Ordinal))
                await WithSeenAsync(request, stop);
            return await ReadAsync(request, $"/api/files/{asset.Groups[1].Value}", a => a["file"]!["version"], stop);
        }
        return Download().IsMatch(path) ? await ReadAsync(request, path, a => a["file"]!["version"], stop) : null;
    }

    /// <summary>The other of two pictures was looked at too.</summary>
    private async Task WithSeenAsync(HttpRequestMessage request, CancellationToken stop)
    {
        var body = (JsonObject)(await request.Content!.ReadFromJsonAsync<JsonNode>(stop))!;
        body["intoVersion"] = long.Parse(
            (await ReadAsync(request, $"/api/files/{body["into"]}", a => a["file"]!["version"], stop))!,
            System.Globalization.CultureInfo.InvariantCulture
        );
        request.Content = JsonContent.Create(body);
    }

    private async Task<string?> ReadAsync(
        HttpRequestMessage like,
        string path,
        Func<JsonNode, JsonNode?> version,
        CancellationToken stop
    )
    {
        using var answer = await base.SendAsync(new(HttpMethod.Get, new Uri(like.RequestUri!, path)), stop);
        return answer.IsSuccessStatusCode
            ? version((await answer.Content.ReadFromJsonAsync<JsonNode>(stop))!)?.ToString()
            : null;
    }

    [GeneratedRegex("^/api/files/([0-9a-f]{12})(/merge|/versions|/versions/[0-9]+/use)?$")]
    private static partial Regex Asset();

    [GeneratedRegex("^/api/downloads/[0-9a-f]{12}$")]
    private static partial Regex Download();
}
