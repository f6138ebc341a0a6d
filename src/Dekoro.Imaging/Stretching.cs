using Dekoro.Core.Delivery;
using NetVips;

namespace Dekoro.Imaging;

/// <summary>
/// A picture forced to a size, its proportions let go: for the rare place that asks for exactly that.
/// </summary>
public static class Stretching
{
    /// <param name="path">Of a finished file.</param>
    /// <exception cref="RefusedFileException">The file does not decode.</exception>
    public static byte[] To(string path, int widthPx, int heightPx, OutputFormat format)
    {
        Vips.EnsureReady();
        try
        {
            using var stretched = Image.Thumbnail(path, widthPx, height: heightPx, size: Enums.Size.Force);
            var quality = RenditionSpec.QualityOf(format);
            return format switch
            {
                OutputFormat.Png => stretched.PngsaveBuffer(compression: 8),
                OutputFormat.WebP => stretched.WebpsaveBuffer(q: quality),
                OutputFormat.Avif => stretched.HeifsaveBuffer(
                    q: quality,
                    compression: Enums.ForeignHeifCompression.Av1,
                    effort: 2
                ),
                _ => stretched.JpegsaveBuffer(q: quality, optimizeCoding: true),
            };
        }
        catch (VipsException e)
        {
            throw new RefusedFileException($"This picture could not be made: {e.Message}");
        }
    }
}
