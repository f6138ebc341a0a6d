using System.Security.Cryptography;
using System.Text;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;

namespace Dekoro.Imaging;

/// <summary>
/// Everything that makes one output file what it is. Equal specifications are the same bytes and the same name.
/// </summary>
/// <param name="OriginalSha256">Hex, of the file as kept.</param>
/// <param name="Edits">As <c>EditsText</c> writes them; empty for none.</param>
/// <param name="Cut">In px of the edited picture.</param>
/// <param name="WidthPx">Of the output, at most the cut's.</param>
/// <param name="Credit">Written into the file, with the rights; empty for none.</param>
public sealed record RenditionSpec(
    string OriginalSha256,
    string Edits,
    Cut Cut,
    int WidthPx,
    OutputFormat Format,
    int Quality,
    string Credit,
    string Rights
)
{
    /// <summary>Raised when the same specification begins to give other bytes.</summary>
    private const int PipelineVersion = 2;

    public string Name =>
        Convert.ToHexStringLower(
            SHA256
                .HashData(
                    Encoding.UTF8.GetBytes(
                        $"{PipelineVersion}|{OriginalSha256}|{Edits}|{Cut}|{WidthPx}|{Format}|{Quality}|"
                            + $"{Credit}|{Rights}"
                    )
                )
                .AsSpan(0, 12)
        ) + Ending;

    private string Ending =>
        Format switch
        {
            OutputFormat.Avif => ".avif",
            OutputFormat.WebP => ".webp",
            OutputFormat.Jpeg => ".jpg",
            OutputFormat.Png => ".png",
            OutputFormat.Gif => ".gif",
            _ => ".svg",
        };

    /// <summary>
    /// The quality at which photographs are not told from their originals at arm's length, on each encoder's own scale.
    /// </summary>
    public static int QualityOf(OutputFormat format) =>
        format switch
        {
            OutputFormat.Avif => 58,
            OutputFormat.WebP => 80,
            OutputFormat.Jpeg => 82,
            _ => 0,
        };
}
