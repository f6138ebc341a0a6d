using System.Collections.Immutable;
using Dekoro.Core.Content;
using Dekoro.Core.Site;
using Dekoro.Core.Typography;

namespace Dekoro.Core.Layout;

/// <summary>
/// Breaks text into lines as a browser does: greedily, at spaces and after hyphens and dashes (the opportunities of UAX
/// #14 that running text has), and inside a word only where a line cannot hold it.
/// </summary>
public static class LineBreaking
{
    /// <returns>The width of each line in CSS px, trailing space left out; no text has no lines.</returns>
    /// <param name="pictureWidthPx">Of a picture in a line; a line may break on both its sides.</param>
    public static ImmutableArray<double> LinesOf(
        IEnumerable<Inline> inlines,
        double widthPx,
        TextStyle style,
        FaceFamily face,
        Func<LinePicture, double>? pictureWidthPx = null
    )
    {
        var chunks = LineChunks.Of(inlines, style, face, pictureWidthPx);
        if (chunks.Count == 0)
            return [];
        var lines = Broken(chunks, widthPx);
        if (!style.IsBalanced || lines.Length < 2)
            return lines;
        // The narrowest measure that needs no more lines (CSS Text 4, text-wrap: balance).
        var (low, high) = (0.0, widthPx);
        while (high - low > 1)
        {
            var middle = (low + high) / 2;
            if (Broken(chunks, middle).Length > lines.Length)
                low = middle;
            else
                high = middle;
        }
        return Broken(chunks, high);
    }

    private static ImmutableArray<double> Broken(IReadOnlyList<LineChunk> chunks, double widthPx)
    {
        const double slack = 1.0 / 64;
        var lines = ImmutableArray.CreateBuilder<double>();
        var (line, space, any) = (0.0, 0.0, false);
        foreach (var chunk in chunks)
        {
            if (any && line + space + chunk.WidthPx > widthPx + slack)
            {
                lines.Add(line);
                (line, space) = (0, 0);
            }
            line += space + chunk.WidthPx;
            // A word that no line holds is broken inside, where it must (overflow-wrap: break-word).
            while (line > widthPx + slack && chunk.Letters > 1 && widthPx > 0)
            {
                var letter = chunk.WidthPx / chunk.Letters;
                var held = Math.Max(letter, Math.Floor(widthPx / letter) * letter);
                if (line - held < letter / 2)
                    break;
                lines.Add(held);
                line -= held;
            }
            (space, any) = (chunk.SpacePx, true);
            if (!chunk.EndsLine)
                continue;
            lines.Add(line);
            (line, space, any) = (0, 0, false);
        }
        if (any)
            lines.Add(line);
        return lines.ToImmutable();
    }
}
