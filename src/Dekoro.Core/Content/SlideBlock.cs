using System.Collections.Immutable;
using Dekoro.Core.Choices;

namespace Dekoro.Core.Content;

/// <summary>Words over a slide of a slider or carousel.</summary>
public sealed record SlideBlock(
    string FigureOfSlide,
    Backdrop Ground,
    HorizontalAlign Across,
    VerticalAlign Down,
    ImmutableArray<Block> Blocks
) : BackdropBlock(FigureOfSlide + "-words", Ground, Blocks)
{
    /// <summary>The figure of its slide.</summary>
    public override string FigureId => FigureOfSlide;
}
