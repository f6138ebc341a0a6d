namespace Dekoro.Core.Media;

/// <param name="MediaType">As IANA registers it.</param>
/// <param name="Ending">Of its public name, without the dot.</param>
public sealed record DownloadType(DownloadKind Kind, string MediaType, string Ending)
{
    /// <summary>As people say it beside a link: "PDF", "MP3".</summary>
    public string Name => Ending.ToUpperInvariant();
}
