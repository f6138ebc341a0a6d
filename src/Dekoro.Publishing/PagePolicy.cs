namespace Dekoro.Publishing;

/// <summary>
/// What a page of the site may load: its own files, and frames of other sites by https. Written into every public page
/// too, for web servers that send no such header of their own.
/// </summary>
/// <remarks>Content Security Policy Level 3; <c>frame-ancestors</c> holds in a header alone (3.3).</remarks>
public static class PagePolicy
{
    /// <summary>Nothing may be framed, posted or loaded that the page does not bring along.</summary>
    public const string InPage =
        "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; frame-src 'self' https:; "
        + "object-src 'none'; base-uri 'self'; form-action 'none'";

    /// <summary>For pages that nobody else frames.</summary>
    public const string Header = InPage + "; frame-ancestors 'self'";

    /// <summary>For what is made to be shown on sites elsewhere.</summary>
    public const string FramedHeader = InPage + "; frame-ancestors *";
}
