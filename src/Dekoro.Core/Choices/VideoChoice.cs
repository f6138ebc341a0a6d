namespace Dekoro.Core.Choices;

/// <summary>
/// A video that plays where a picture stands: the picture is its still, and gives it size, shape and place.
/// </summary>
public abstract record VideoChoice
{
    private VideoChoice() { }

    /// <summary>A file of the library.</summary>
    /// <param name="CaptionsId">A file of captions (WebVTT); null for none.</param>
    /// <param name="Controls">Shown always where it starts itself: what moves must be stoppable (WCAG 2.2, SC
    /// 2.2.2).</param>
    /// <param name="StartsItself">Silently: browsers start no sound unasked.</param>
    public sealed record Own(string FileId, string? CaptionsId, bool Controls, bool Loops, bool StartsItself)
        : VideoChoice
    {
        /// <summary>
        /// Whether its buttons are seen: a film that starts by itself must be stoppable (WCAG 2.2, 2.2.2).
        /// </summary>
        public bool ShowsControls => Controls || StartsItself;
    }

    /// <summary>One that another site plays; its player is fetched when a visitor asks for it.</summary>
    /// <param name="Address">Of its page, for those without script.</param>
    /// <param name="Player">Of what is put into a frame: https, or a path of this server.</param>
    public sealed record Hosted(string Address, string Player, string Title) : VideoChoice
    {
        /// <returns>True for an address that a visitor may be led to.</returns>
        public static bool IsPage(string address) =>
            IsPlayer(address)
            || (Uri.TryCreate(address, UriKind.Absolute, out var uri) && uri.Scheme == Uri.UriSchemeHttp);

        /// <returns>True for an address that may be put into a frame.</returns>
        public static bool IsPlayer(string address) =>
            (address.StartsWith('/') && !address.StartsWith("//", StringComparison.Ordinal))
            || (Uri.TryCreate(address, UriKind.Absolute, out var uri) && uri.Scheme == Uri.UriSchemeHttps);
    }
}
