using Dekoro.Core.Content;
using Dekoro.Core.Site;
using Dekoro.Core.Typography;

namespace Dekoro.Core.Layout;

/// <summary>Takes a line's words apart where it may be broken.</summary>
internal sealed class LineChunks
{
    private readonly List<LineChunk> _chunks = [];
    private readonly double _sizePx;
    private double _width,
        _space;
    private int _letters;
    private bool _isAfterPicture;

    private LineChunks(double sizePx) => _sizePx = sizePx;

    public static IReadOnlyList<LineChunk> Of(
        IEnumerable<Inline> inlines,
        TextStyle style,
        FaceFamily face,
        Func<LinePicture, double>? pictureWidthPx
    )
    {
        var chunks = new LineChunks(style.SizePx);
        foreach (var inline in inlines)
        {
            switch (inline)
            {
                case LinePicture picture:
                    chunks.Picture(pictureWidthPx?.Invoke(picture) ?? 0);
                    break;
                case TextRun run:
                    chunks.Run(run.Text, face.Of(run.Bold ? 700 : style.Weight, run.Italic || style.Italic));
                    break;
                default:
                    chunks.End(endsLine: true);
                    break;
            }
        }
        chunks.EndIfBegun();
        return chunks._chunks;
    }

    private void Picture(double widthPx)
    {
        EndIfBegun();
        (_width, _letters, _isAfterPicture) = (widthPx, 1, true);
    }

    private void Run(ReadOnlySpan<char> text, FaceMetrics cut)
    {
        if (_isAfterPicture && text is [not ' ', ..])
            End(endsLine: false);
        _isAfterPicture = false;
        var start = 0;
        for (var i = 0; i < text.Length; i++)
        {
            if (text[i] == ' ')
            {
                Take(text[start..i], cut);
                _space += (cut.WidthEm(" ") + (i > 0 ? cut.KernEm(text[i - 1], ' ') : 0)) * _sizePx;
                start = i + 1;
                continue;
            }
            if (i > 0 && text[i - 1] == ' ')
                _space += cut.KernEm(' ', text[i]) * _sizePx;
            if (_space > 0)
                End(endsLine: false);
            if (!BreaksAfter(text, i))
                continue;
            Take(text[start..(i + 1)], cut);
            _space += cut.KernEm(text[i], text[i + 1]) * _sizePx;
            End(endsLine: false);
            start = i + 1;
        }
        Take(text[start..], cut);
    }

    private void Take(ReadOnlySpan<char> part, FaceMetrics cut)
    {
        _width += cut.WidthEm(part) * _sizePx;
        _letters += part.Length;
    }

    private void EndIfBegun()
    {
        if (_letters > 0 || _space > 0)
            End(endsLine: false);
    }

    private void End(bool endsLine)
    {
        _chunks.Add(new(_width, _space, endsLine, _letters));
        (_width, _space, _letters) = (0, 0, 0);
    }

    /// <summary>
    /// After a hyphen or dash between letters; before a digit a hyphen is a sign or part of a number.
    /// </summary>
    private static bool BreaksAfter(ReadOnlySpan<char> text, int i) =>
        i + 1 < text.Length
        && text[i + 1] != ' '
        && text[i] switch
        {
            '-' => i > 0 && text[i - 1] != ' ' && !char.IsDigit(text[i + 1]),
            '–' or '—' or '/' => !char.IsDigit(text[i + 1]),
            _ => false,
        };
}
