namespace Dekoro.Core.Delivery;

/// <summary>In which order formats are offered: a browser takes the first that it reads.</summary>
public static class FormatOrder
{
    /// <summary>
    /// Whether a page goes public without waiting for files of a format, and is joined by them afterwards: what is
    /// slow to make holds nobody up.
    /// </summary>
    public static bool JoinsLater(OutputFormat format) => format == OutputFormat.Avif;

    /// <summary>
    /// The lightest first; what is no lighter than the format every browser reads is left out.
    /// </summary>
    /// <param name="formats">The one every browser reads last.</param>
    /// <param name="bytesOf">What all widths weigh in a format.</param>
    public static IReadOnlyList<OutputFormat> ByGain(
        IReadOnlyCollection<OutputFormat> formats,
        Func<OutputFormat, long> bytesOf
    )
    {
        var (bytes, last) = (formats.ToDictionary(f => f, bytesOf), formats.Last());
        return
        [
            .. formats.Where(f => f == last || bytes[f] < bytes[last]).OrderBy(f => f == last).ThenBy(f => bytes[f]),
        ];
    }
}
