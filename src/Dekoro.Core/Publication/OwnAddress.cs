using System.Globalization;
using Dekoro.Core.Delivery;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;

namespace Dekoro.Core.Publication;

/// <summary>
/// The address that a picture has on the public site whether or not a page shows it. Once given it stays, whatever the
/// title becomes.
/// </summary>
public static class OwnAddress
{
    private const string Folder = "pictures/";

    /// <summary>The file that is there: the version in use, whole, in the format that every program reads.</summary>
    public static PlannedFile FileOf(PictureFacts picture) => FigurePlanner.LargeFileOf(picture);

    /// <summary>An address from the title that no other picture has.</summary>
    public static string For(PictureFacts picture, IReadOnlySet<string> taken)
    {
        var stem = Folder + (Slug.Of(picture.Metadata.Title) is { Length: > 0 } slug ? slug : "picture");
        var ending = FileOf(picture).Format switch
        {
            OutputFormat.Jpeg => "jpg",
            var other => other.ToString().ToLowerInvariant(),
        };
        return Enumerable
            .Range(1, taken.Count + 1)
            .Select(n =>
                n == 1 ? $"{stem}.{ending}" : string.Create(CultureInfo.InvariantCulture, $"{stem}-{n}.{ending}")
            )
            .First(address => !taken.Contains(address));
    }
}
