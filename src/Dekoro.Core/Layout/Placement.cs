using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Layout;

/// <summary>A picture's place on a page, before it is said which picture stands in it.</summary>
/// <param name="Figure">As it stands on the widest of the classes on which this picture and cut of it are
/// shown.</param>
/// <param name="On">Those classes.</param>
/// <param name="Box">How wide the place is, at every width; nothing on the other classes.</param>
/// <param name="CoveredPx">Where the picture covers a box of a height of its own: that height on each class of screen,
/// CSS px.</param>
public sealed record Placement(
    FigureBlock Figure,
    PageLayout Layout,
    PerClass<bool> On,
    SlotWidth Box,
    PerClass<double>? CoveredPx
)
{
    /// <summary>Of a picture in a line: how high it stands, CSS px.</summary>
    public double InLinePx { get; init; }

    /// <summary>How wide a picture is drawn here: as wide as the box, or wider where it has to be as high.</summary>
    public SlotWidth SlotOf(PictureFacts picture) =>
        (Figure.Size, CoveredPx) switch
        {
            (FigureSize.Behind { Repeats: true }, _) => SlotWidth.Of(Placed.TilePx(picture).Width),
            (FigureSize.InLine, _) => Box.Cap(InLinePx * picture.Size.Shape.Value),
            (_, { } heights) => SlotWidth.PerClass(
                heights.Select((c, height) => On[c] ? Box.AtLeast(height * picture.Size.Shape.Value) : SlotWidth.None),
                Layout.Style.Classes
            ),
            _ => Box,
        };
}
