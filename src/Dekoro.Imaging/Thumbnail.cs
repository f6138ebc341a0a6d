using NetVips;

namespace Dekoro.Imaging;

/// <summary>A small copy of a picture that nobody has decided to keep.</summary>
public static class Thumbnail
{
    private const int MaxSourcePixels = 60_000_000;

    /// <summary>
    /// Made anew rather than passed on: what an outside server sent never reaches a browser as it came.
    /// </summary>
    /// <exception cref="RefusedFileException">Not a picture that decodes.</exception>
    public static byte[] WebPOf(byte[] content, int widthPx)
    {
        Vips.EnsureReady();
        try
        {
            using (var header = Image.NewFromBuffer(content, access: Enums.Access.Sequential))
            {
                if ((long)header.Width * header.Height > MaxSourcePixels)
                    throw new RefusedFileException("This picture is too large to be shown in small.");
            }
            using var small = Image.ThumbnailBuffer(content, widthPx, height: 100_000, size: Enums.Size.Down);
            return small.WebpsaveBuffer(q: 75, keep: Enums.ForeignKeep.None);
        }
        catch (VipsException)
        {
            throw new RefusedFileException("This is not a picture that can be read.");
        }
    }
}
