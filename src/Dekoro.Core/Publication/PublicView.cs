using System.Collections.Immutable;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;

namespace Dekoro.Core.Publication;

/// <summary>
/// The most of a picture that the public site shows in one place: what else it shows of it lies within or beside, and
/// what no place shows stays unseen.
/// </summary>
/// <param name="WidthsPx">Of its files, ascending; the last is the widest that the site has of it.</param>
public sealed record PublicView(Cut Cut, ImmutableArray<int> WidthsPx)
{
    /// <summary>For lists, and for a screen.</summary>
    private static readonly int[] SmallerPx = [320, 1280];

    /// <param name="widest">The widest file that the site has of a cut, px.</param>
    /// <returns>Null for what is no photograph: a drawing has no px, and what moves has no one picture.</returns>
    public static PublicView? Of(PictureFacts picture, IEnumerable<Cut> shown, Func<Cut, int> widest)
    {
        if (picture.IsVector || picture.IsAnimated)
            return null;
        var cuts = shown.Distinct().ToList();
        if (cuts.Count == 0)
            return null;
        // One of two that are as large: whichever lies further up and to the left, so that it is always the same.
        var most = cuts.OrderByDescending(c => (long)c.Width * c.Height).ThenBy(c => c.Y).ThenBy(c => c.X).First();
        var px = widest(most);
        return new(most, [.. SmallerPx.Where(w => w < px), px]);
    }

    /// <summary>Its files, in the order of their widths.</summary>
    public IEnumerable<PlannedFile> FilesOf(PictureFacts picture) =>
        WidthsPx.Select(w => new PlannedFile(picture.Id, Cut, w, OutputFormat.Jpeg));

    /// <summary>The sizes of its files, px.</summary>
    public ImmutableArray<PixelSize> Sizes =>
        [.. WidthsPx.Select(w => new PixelSize(w, Math.Max(1, (int)Math.Round((double)w * Cut.Height / Cut.Width))))];
}
