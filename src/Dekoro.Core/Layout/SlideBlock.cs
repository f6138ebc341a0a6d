using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;

namespace Dekoro.Core.Layout;

/// <summary>Words over a slide of a slider or carousel.</summary>
public sealed record SlideBlock(
    string FigureOfSlide,
    Backdrop Backdrop,
    HorizontalAlign Across,
    VerticalAlign Down,
    ImmutableArray<Block> Blocks
) : BackdropBlock(FigureOfSlide + "-words", Backdrop, Blocks)
{
    /// <inheritdoc/>
    public override string Noun => "slide";

    /// <summary>The figure of its slide.</summary>
    public override string FigureId => FigureOfSlide;

    /// <summary>None of its own: what lies behind its words is its slide's.</summary>
    public override IEnumerable<FigureBlock> Figures() => [];
}
