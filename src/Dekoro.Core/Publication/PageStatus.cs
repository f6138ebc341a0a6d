namespace Dekoro.Core.Publication;

/// <summary>How a page stands to what the public sees of it.</summary>
public static class PageStatus
{
    /// <summary>Switched off: visitors do not see it after the next publishing.</summary>
    public const string Off = "off";

    /// <summary>Never public yet.</summary>
    public const string Draft = "draft";

    /// <summary>Public, and changed since.</summary>
    public const string Changed = "changed";

    /// <summary>Public as it is.</summary>
    public const string Published = "published";

    /// <param name="published">What it was made from when it last went public; null for never.</param>
    /// <param name="now">What it would be made from now; asked only where it matters.</param>
    public static string Of(bool isOn, string? published, Func<string> now) =>
        !isOn ? Off
        : published is null ? Draft
        : published == now() ? Published
        : Changed;
}
