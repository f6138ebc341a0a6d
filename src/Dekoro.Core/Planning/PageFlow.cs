using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

/// <summary>
/// About how far down a page each figure begins: text by its mean advance, pictures by their slots. Good enough to tell
/// what lies in the first screen; nothing is drawn from it.
/// </summary>
internal static class PageFlow
{
    /// <summary>Bar, title and the space around them, CSS px.</summary>
    private const double HeadPx = 190;
    private const double BetweenPx = 24;

    /// <returns>Top of each figure in CSS px at the class's reference width, by block id.</returns>
    public static IReadOnlyDictionary<string, double> Tops(Document document, Func<FigureBlock, AspectRatio?> shapeOf, PageLayout layout, WidthClass c)
    {
        var viewport = layout.Style.Classes.ReferencePx[c];
        var column = layout.Column.At(viewport);
        var tops = new Dictionary<string, double>();
        var (y, floatUntil, floatWidth) = (HeadPx, 0.0, 0.0);
        foreach (var block in document.Blocks)
        {
            if (block is ColumnsBlock columns)
            {
                y = Rows(columns, Math.Max(y, floatUntil), tops, shapeOf, layout, c);
                continue;
            }
            if (block is not FigureBlock figure)
            {
                var width = y < floatUntil ? column - floatWidth - layout.Style.GutterPx : column;
                y += TextHeight(block, width, layout) + BetweenPx;
                continue;
            }
            var beside = layout.BesideOf(figure)[c];
            if (!beside) y = Math.Max(y, floatUntil);
            tops[figure.Id] = y;
            var slot = layout.SlotOf(figure.Size).At(viewport);
            var height = slot / (shapeOf(figure)?.Value ?? 1.5) + BetweenPx;
            if (beside) (floatUntil, floatWidth) = (y + height, slot);
            else y += height;
        }
        return tops;
    }

    /// <returns>Where the last row ends.</returns>
    private static double Rows(
        ColumnsBlock columns, double y, Dictionary<string, double> tops, Func<FigureBlock, AspectRatio?> shapeOf, PageLayout layout, WidthClass c)
    {
        var width = layout.CellOf(columns.InRow, columns.Extent).At(layout.Style.Classes.ReferencePx[c]);
        foreach (var row in columns.Cells.Chunk(PageLayout.InRow(columns.InRow)[c]))
        {
            var end = y;
            foreach (var cell in row)
            {
                var at = y;
                foreach (var block in cell.Blocks)
                {
                    if (block is FigureBlock figure) tops[figure.Id] = at;
                    at += (block is FigureBlock f ? width / (shapeOf(f)?.Value ?? 1.5) : TextHeight(block, width, layout)) + BetweenPx;
                }
                end = Math.Max(end, at);
            }
            y = end;
        }
        return y;
    }

    private static double TextHeight(Block block, double width, PageLayout layout)
    {
        var line = layout.Style.TextPx * layout.Style.LineHeight;
        return block switch
        {
            ParagraphBlock p => Lines(p.Inlines, width, layout.Style.TextPx) * line,
            HeadingBlock h => Lines(h.Inlines, width, layout.Style.TextPx * 1.6) * line * 1.4,
            ListBlock l => l.Items.Sum(item => item.Sum(b => TextHeight(b, width - 24, layout))),
            QuoteBlock q => q.Blocks.Sum(b => TextHeight(b, width - 24, layout)),
            _ => line,
        };
    }

    private static double Lines(IEnumerable<Inline> inlines, double width, double textPx)
    {
        var characters = inlines.OfType<TextRun>().Sum(r => r.Text.Length);
        return Math.Max(1, Math.Ceiling(characters * PageLayout.MeanAdvanceEm * textPx / Math.Max(60, width)));
    }
}
