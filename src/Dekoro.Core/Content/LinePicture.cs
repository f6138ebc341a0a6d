using Dekoro.Core.Choices;

namespace Dekoro.Core.Content;

/// <summary>A small picture among the words of a line; its size is of <see cref="FigureSize.InLine"/>.</summary>
/// <param name="Link">As of a run of text.</param>
public sealed record LinePicture(FigureBlock Figure, string? Link = null) : Inline
{
    /// <summary>A picture that stands in a line, as a figure of its own.</summary>
    public static FigureBlock Of(string id, string assetId, LineHeight height, AltChoice alt) =>
        new(
            id,
            assetId,
            new FigureSize.InLine(height),
            HorizontalAlign.Left,
            false,
            CutChoice.AsIs,
            alt,
            new CaptionChoice(CaptionSource.None)
        );
}
