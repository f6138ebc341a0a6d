using System.Globalization;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>
/// How a kind of place is written where pictures are looked at through it: a role, a number of CSS px, or a cell.
/// </summary>
public static class PlaceName
{
    private const string CellOf = "cell";

    /// <summary>The place as sentences name it.</summary>
    public static string Of(int inRow, Extent extent) =>
        string.Create(CultureInfo.InvariantCulture, $"{CellOf}-{inRow}-{WireName.Of(extent)}");

    /// <returns>How wide it stands, at every width; null for what names no place.</returns>
    public static SlotWidth? SlotOf(string written, PageLayout layout)
    {
        if (int.TryParse(written, NumberStyles.None, CultureInfo.InvariantCulture, out var px))
            return px is >= FigureSize.ByPx.Min and <= FigureSize.ByPx.Max
                ? layout.SlotOf(new FigureSize.ByPx(px))
                : null;
        if (written.Split('-') is [CellOf, var cells, var reach])
        {
            return
                int.TryParse(cells, NumberStyles.None, CultureInfo.InvariantCulture, out var inRow)
                && inRow is >= ColumnsBlock.MinInRow and <= ColumnsBlock.MaxInRow
                && Enum.TryParse<Extent>(reach, ignoreCase: true, out var extent)
                && Enum.IsDefined(extent)
                ? layout.CellOf(inRow, extent)
                : null;
        }
        return Enum.TryParse<SizeRole>(written, ignoreCase: true, out var role) && Enum.IsDefined(role)
            ? layout.SlotOf(new FigureSize.ByRole(role))
            : null;
    }
}
