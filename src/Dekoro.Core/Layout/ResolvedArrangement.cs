using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;

namespace Dekoro.Core.Layout;

/// <summary>An arrangement standing on a page, as it is now.</summary>
public sealed record ResolvedArrangement(string Id, Arrangement Arrangement, SizeRole Reach)
    : ArrangementBlock(Id, Arrangement.Id, Reach)
{
    /// <summary>Words over its slides; they are the arrangement's, and are changed there.</summary>
    public override IEnumerable<Block> Children() => Slides;

    /// <inheritdoc/>
    public override IEnumerable<FigureBlock> Figures() => Pictures.Concat(StepFigures);

    /// <summary>Which part of a gallery is shown, from 1; null shows all of it.</summary>
    public int? Sheet { get; init; }

    /// <summary>How many parts it has.</summary>
    public int Sheets =>
        Arrangement.Paging is { } paging
            ? Math.Max(1, (Arrangement.Shown.Count() + paging.PerSheet - 1) / paging.PerSheet)
            : 1;

    private IEnumerable<ArrangementItem> OnSheet =>
        Sheet is { } n && Arrangement.Paging is { } paging
            ? Arrangement.Shown.Skip((n - 1) * paging.PerSheet).Take(paging.PerSheet)
            : Arrangement.Shown;

    /// <summary>
    /// Of a gallery in parts: how many pictures that open the larger view stand before this part, and on all parts
    /// together.
    /// </summary>
    public (int Before, int All) LargerOnSheets
    {
        get
        {
            var opens = Arrangement
                .Shown.Select(item => Arrangement.LinkOf(item).Kind == FigureLinkKind.LargeFile)
                .ToList();
            return (
                Sheet is { } n && Arrangement.Paging is { } paging
                    ? opens.Take((n - 1) * paging.PerSheet).Count(o => o)
                    : 0,
                opens.Count(o => o)
            );
        }
    }

    /// <summary>Pictures that stand small as steps instead of their slides' own.</summary>
    public ImmutableArray<FigureBlock> StepFigures =>
        Arrangement is not { Kind: not ArrangementKind.Gallery, Slider.Steps: Indicators.Pictures }
            ? []
            :
            [
                .. OnSheet
                    .Where(item => item.StepAssetId is not null)
                    .Select(item => new FigureBlock(
                        StepIdOf(FigureIdOf(item)),
                        item.StepAssetId!,
                        new FigureSize.InSet(),
                        HorizontalAlign.Centre,
                        false,
                        new CutChoice(SliderControls.StepShape),
                        new(Decorative: true, null),
                        new(CaptionSource.None)
                    )),
            ];

    /// <summary>Words over it stand in its caption's stead.</summary>
    private bool IsWorded(ArrangementItem item) =>
        Arrangement.Kind != ArrangementKind.Gallery && item.Words is not null;

    /// <summary>What stands over its slides, of those that have words.</summary>
    public ImmutableArray<SlideBlock> Slides => [.. OnSheet.Where(IsWorded).Select(SlideOf)];

    private SlideBlock SlideOf(ArrangementItem item)
    {
        var over = Arrangement.Slider.Words;
        return new(
            FigureIdOf(item),
            item.IsWordsAlone
                ? new(over.Tint, null, false, over.Tint, default, over.Tone)
                : new(null, item.AssetId, false, over.Tint, over.TintStrength, over.Tone),
            over.Across,
            over.Down,
            SlidePieces.Of(item.Words!, FigureIdOf(item), Arrangement.Kind == ArrangementKind.Slider ? 2 : 3)
        );
    }

    /// <summary>Its pictures, as ones that are placed: each goes by the block's id and its own.</summary>
    public ImmutableArray<FigureBlock> Pictures => [.. OnSheet.Select(PictureOf)];

    private FigureBlock PictureOf(ArrangementItem item)
    {
        var link = Arrangement.LinkOf(item);
        return new(
            FigureIdOf(item),
            item.AssetId,
            new FigureSize.InSet(),
            HorizontalAlign.Centre,
            false,
            new CutChoice(Arrangement.ShapeOfAll),
            item.Alt,
            IsWorded(item) ? new(CaptionSource.None) : Arrangement.CaptionOf(item)
        )
        {
            Link = link,
            Larger = Arrangement.Larger.Size,
            FrameStyle = Arrangement.FrameStyle,
            Instead = link.Kind == FigureLinkKind.LargeFile ? item.Instead : null,
            Video = link.Kind == FigureLinkKind.None ? item.Instead?.InPlace : null,
        };
    }
}
