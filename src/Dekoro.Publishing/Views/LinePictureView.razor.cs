using Dekoro.Core.Choices;
using Dekoro.Core.Planning;

namespace Dekoro.Publishing.Views;

/// <summary>A picture in a line of words.</summary>
public partial class LinePictureView
{
    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required FigurePlan Figure { get; set; }

    private LineHeight Height => ((FigureSize.InLine)Figure.Block.Size).Height;

    /// <summary>By the height of its line, which is that of the words it stands among.</summary>
    private string Width =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"--wide:{(double)Figure.Main.Cut.Width / Figure.Main.Cut.Height:0.######}"
        );
}
