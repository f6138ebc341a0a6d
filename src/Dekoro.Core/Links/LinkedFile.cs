using System.Globalization;

namespace Dekoro.Core.Links;

/// <summary>A file that is offered to visitors.</summary>
/// <param name="Address">From the site's root.</param>
/// <param name="TypeName">As people say it: "PDF".</param>
public sealed record LinkedFile(string Address, string Title, string TypeName, long Bytes)
{
    /// <summary>Its size as people read it: 1.2 MB.</summary>
    public string Size =>
        Bytes switch
        {
            < 1000 => string.Create(CultureInfo.InvariantCulture, $"{Bytes} B"),
            < 10_000 => string.Create(CultureInfo.InvariantCulture, $"{Bytes / 1000.0:0.0} kB"),
            < 995_000 => string.Create(CultureInfo.InvariantCulture, $"{Bytes / 1000.0:0} kB"),
            _ => string.Create(CultureInfo.InvariantCulture, $"{Bytes / 1e6:0.0} MB"),
        };

    /// <summary>What stands after a link to it, so that nobody fetches more than they meant to.</summary>
    public string Facts => $" ({TypeName}, {Size})";
}
