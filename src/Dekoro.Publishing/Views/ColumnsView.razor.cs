using Dekoro.Core.Choices;
using Dekoro.Core.Content;

namespace Dekoro.Publishing.Views;

/// <summary>Cells side by side.</summary>
public partial class ColumnsView
{
    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required ColumnsBlock Columns { get; set; }

    private string Classes =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"cells cells-{Columns.InRow}{(Columns.Extent == Extent.Wide ? " cells-wide" : "")}"
        );

    private string? Style =>
        string.Join(';', GroundView.LeastHeights(Columns.LeastHeightPx)) is { Length: > 0 } style ? style : null;
}
