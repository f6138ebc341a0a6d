using System.Collections.Immutable;
using Dekoro.Core.Documents;

namespace Dekoro.Core.Typography;

/// <summary>
/// Breaks text into lines as a browser does: greedily, at spaces and after hyphens and dashes (the opportunities of UAX #14 that
/// running text has), and inside a word only where a line cannot hold it.
/// </summary>
public static class LineBreaking
{
    /// <returns>The width of each line in CSS px, trailing space left out; no text has no lines.</returns>
    /// <param name="pictureWidthPx">Of a picture in a line; a line may break on both its sides.</param>
    public static ImmutableArray<double> LinesOf(IEnumerable<Inline> inlines, double widthPx, TextStyle style, FaceFamily face, Func<LinePicture, double>? pictureWidthPx = null)
    {
        var chunks = ChunksOf(inlines, style, face, pictureWidthPx);
        if (chunks.Count == 0) return [];
        var lines = Broken(chunks, widthPx);
        if (!style.IsBalanced || lines.Length < 2) return lines;
        // The narrowest measure that needs no more lines (CSS Text 4, text-wrap: balance).
        var (low, high) = (0.0, widthPx);
        while (high - low > 1)
        {
            var middle = (low + high) / 2;
            if (Broken(chunks, middle).Length > lines.Length) low = middle;
            else high = middle;
        }
        return Broken(chunks, high);
    }

    /// <summary>A stretch of text that is not broken, and what stands before the next one on the same line: space, kerning.</summary>
    private readonly record struct Chunk(double WidthPx, double SpacePx, bool EndsLine, int Letters);

    private static List<Chunk> ChunksOf(IEnumerable<Inline> inlines, TextStyle style, FaceFamily face, Func<LinePicture, double>? pictureWidthPx)
    {
        var chunks = new List<Chunk>();
        var (width, space, letters, afterPicture) = (0.0, 0.0, 0, false);
        foreach (var inline in inlines)
        {
            if (inline is LinePicture picture)
            {
                if (letters > 0 || space > 0) End(endsLine: false);
                (width, letters) = (pictureWidthPx?.Invoke(picture) ?? 0, 1);
                afterPicture = true;
                continue;
            }
            if (inline is not TextRun run)
            {
                End(endsLine: true);
                continue;
            }
            var cut = face.Of(run.Bold ? 700 : style.Weight, run.Italic || style.Italic);
            var text = run.Text.AsSpan();
            var start = 0;
            if (afterPicture && text is [not ' ', ..]) End(endsLine: false);
            afterPicture = false;
            for (var i = 0; i < text.Length; i++)
            {
                if (text[i] == ' ')
                {
                    Take(text[start..i], cut);
                    space += (cut.WidthEm(" ") + (i > 0 ? cut.KernEm(text[i - 1], ' ') : 0)) * style.SizePx;
                    start = i + 1;
                }
                else
                {
                    if (i > 0 && text[i - 1] == ' ') space += cut.KernEm(' ', text[i]) * style.SizePx;
                    if (space > 0) End(endsLine: false);
                    if (!BreaksAfter(text, i)) continue;
                    Take(text[start..(i + 1)], cut);
                    space += cut.KernEm(text[i], text[i + 1]) * style.SizePx;
                    End(endsLine: false);
                    start = i + 1;
                }
            }
            Take(text[start..], cut);
        }
        if (letters > 0 || space > 0) End(endsLine: false);
        return chunks;

        void Take(ReadOnlySpan<char> part, FaceMetrics cut)
        {
            width += cut.WidthEm(part) * style.SizePx;
            letters += part.Length;
        }

        void End(bool endsLine)
        {
            chunks.Add(new(width, space, endsLine, letters));
            (width, space, letters) = (0, 0, 0);
        }
    }

    /// <summary>After a hyphen or dash between letters; before a digit a hyphen is a sign or part of a number.</summary>
    private static bool BreaksAfter(ReadOnlySpan<char> text, int i) =>
        i + 1 < text.Length && text[i + 1] != ' ' && text[i] switch
        {
            '-' => i > 0 && text[i - 1] != ' ' && !char.IsDigit(text[i + 1]),
            '–' or '—' or '/' => !char.IsDigit(text[i + 1]),
            _ => false,
        };

    private static ImmutableArray<double> Broken(List<Chunk> chunks, double widthPx)
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
                if (line - held < letter / 2) break;
                lines.Add(held);
                line -= held;
            }
            (space, any) = (chunk.SpacePx, true);
            if (!chunk.EndsLine) continue;
            lines.Add(line);
            (line, space, any) = (0, 0, false);
        }
        if (any) lines.Add(line);
        return lines.ToImmutable();
    }
}
