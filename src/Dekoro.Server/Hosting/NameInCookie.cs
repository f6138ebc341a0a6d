using Dekoro.Application.Drafts;

namespace Dekoro.Server.Hosting;

/// <summary>The name that a browser keeps and sends.</summary>
public sealed class NameInCookie(IHttpContextAccessor requests) : INameOfRequest
{
    private const string Cookie = "person";

    /// <inheritdoc/>
    public string? Name =>
        requests.HttpContext is { } context ? Uri.UnescapeDataString(context.Request.Cookies[Cookie] ?? "") : null;
}
