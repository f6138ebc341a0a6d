using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Content;

/// <summary>A strip from edge to edge of the page with words and pictures over a ground of its own.</summary>
/// <param name="LeastHeightPx">CSS px for each class of screen; 0: as high as what stands in it.</param>
/// <param name="Across">Where lines of words stand.</param>
public record BandBlock(
    string Id,
    Backdrop Backdrop,
    PerClass<int> LeastHeightPx,
    HorizontalAlign Across,
    VerticalAlign Down,
    ImmutableArray<Block> Blocks
) : BackdropBlock(Id, Backdrop, Blocks)
{
    /// <inheritdoc/>
    public override string Noun => IsBanner ? "banner" : "band";

    /// <summary>The highest a band may be at the least, in CSS px.</summary>
    public const int MaxHeightPx = 2000;

    /// <summary>Where a press anywhere on it leads, as written in the document; empty for nowhere.</summary>
    public string Link { get; init; } = "";

    /// <summary>What is otherwise on one class of screen.</summary>
    public PerClass<BandException?> Exceptions { get; init; }

    /// <summary>Whether a piece in it is left out at a width: words are, and no heading.</summary>
    public bool IsLeftOut(Block piece, WidthClass c) =>
        piece is ParagraphBlock or ButtonBlock && (Exceptions[c]?.Without.Contains(piece.Id) ?? false);

    /// <summary>The band as it stands on a class of screen; its pictures are told by <see cref="Behind"/>.</summary>
    public BandBlock On(WidthClass c) =>
        Exceptions[c] is not { } own
            ? this
            : this with
            {
                Across = own.Across ?? Across,
                Down = own.Down ?? Down,
                Blocks = [.. Blocks.Where(b => !IsLeftOut(b, c))],
            };

    /// <inheritdoc/>
    public override FigureBlock? Behind =>
        base.Behind is not { } behind || Backdrop.Repeats
            ? base.Behind
            : behind with
            {
                Exceptions = Exceptions.Select(
                    (_, own) => own?.AssetId is { } asset ? new FigureException(AssetId: asset) : null
                ),
            };

    /// <inheritdoc/>
    public override Block? WithFigures(Func<FigureBlock, FigureBlock?> change)
    {
        if (Behind is not { } behind)
            return this;
        var now = change(behind);
        var changed = this with { Backdrop = Backdrop.WithPicture(now?.AssetId) };
        // A pattern is the same at every width: what was chosen for one waits until it is none any more.
        return Backdrop.Repeats
            ? changed
            : changed with
            {
                Exceptions = Exceptions.Select(
                    (c, own) => own is null ? null : own with { AssetId = now?.Exceptions[c]?.AssetId }
                ),
            };
    }

    /// <inheritdoc/>
    public override FocalRegion? KeepOn(WidthClass c, string assetId) =>
        Exceptions[c]?.Keep is { } keep && keep.AssetId == assetId ? keep.Box : null;

    /// <summary>It stands at the top of the page for a while, and is no piece of the page's own.</summary>
    public bool IsBanner { get; init; }

    /// <inheritdoc/>
    public override IEnumerable<TextRun> Runs() => Link.Length > 0 ? [new TextRun("", Link: Link)] : [];

    /// <summary>True where nothing of it shows: such a band waits on the desk and is never published.</summary>
    public bool IsEmpty => Blocks.IsEmpty && !HasBackdrop;
}
