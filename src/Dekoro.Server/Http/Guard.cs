namespace Dekoro.Server.Http;

/// <summary>What holds for every request.</summary>
internal static class Guard
{
    /// <summary>Other sites' pages, open in the same browser, may not change anything here (Fetch Metadata; Origin where that is missing).</summary>
    public static void UseGuard(this IApplicationBuilder app) => app.Use(async (context, next) =>
    {
        var (request, response) = (context.Request, context.Response);
        response.Headers.XContentTypeOptions = "nosniff";
        response.Headers["Referrer-Policy"] = "same-origin";
        var changes = !HttpMethods.IsGet(request.Method) && !HttpMethods.IsHead(request.Method);
        if (changes && IsFromElsewhere(request))
        {
            await Problems.Of(403, "This came from another site's page and was not carried out: open Dekoro itself and do it there.").ExecuteAsync(context);
            return;
        }
        await next();
    });

    private static bool IsFromElsewhere(HttpRequest request)
    {
        var site = request.Headers["Sec-Fetch-Site"].ToString();
        if (site.Length > 0) return site is not ("same-origin" or "none");
        var origin = request.Headers.Origin.ToString();
        return origin.Length > 0 && (!Uri.TryCreate(origin, UriKind.Absolute, out var uri) || uri.Authority != request.Host.Value);
    }
}
