using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Content;

/// <summary>A piece that holds others, over a ground of its own or over what it stands in.</summary>
public abstract record BackdropBlock(string Id, Backdrop Backdrop, ImmutableArray<Block> Blocks) : Block(Id)
{
    /// <summary>What it is, in one word.</summary>
    public abstract string Noun { get; }

    /// <inheritdoc/>
    public override string KindInWords => "a " + Noun;

    /// <inheritdoc/>
    public override IEnumerable<Block> Children() => Blocks;

    /// <inheritdoc/>
    public override Block WithChildren(Func<ImmutableArray<Block>, ImmutableArray<Block>> change) =>
        change(Blocks) is var blocks && blocks == Blocks ? this : this with { Blocks = blocks };

    /// <summary>True where something shows behind what stands in it.</summary>
    public bool HasBackdrop => Backdrop is not { AssetId: null, Colour: null };

    /// <summary>The picture that its ground is, by the id of its place.</summary>
    public virtual string FigureId => Id;

    /// <summary>The picture behind, as one that is placed: it goes by the piece's own id and says nothing.</summary>
    public virtual FigureBlock? Behind => Backdrop.AssetId is { } asset ? Placed(Id, asset) : null;

    /// <summary>
    /// Pictures that take its place one after the other, each with how long it stands, ms; a pattern keeps its place.
    /// </summary>
    public virtual ImmutableArray<(FigureBlock Figure, int StayMs)> Followers => [];

    /// <inheritdoc/>
    public override IEnumerable<FigureBlock> Figures() =>
        Behind is { } behind ? Followers.Select(f => f.Figure).Prepend(behind) : [];

    /// <inheritdoc/>
    public override Block? WithFigures(Func<FigureBlock, FigureBlock?> change) =>
        Behind is { } behind ? this with { Backdrop = Backdrop.WithPicture(change(behind)?.AssetId) } : this;

    /// <summary>What has to be seen of a picture behind it on a class of screen; null is what the library says.
    /// </summary>
    public virtual FocalRegion? KeepOn(WidthClass c, string assetId) => null;

    /// <summary>A picture behind it, by the id of its place.</summary>
    protected FigureBlock Placed(string id, string assetId) =>
        new(
            id,
            assetId,
            new FigureSize.Behind(Backdrop.Repeats),
            HorizontalAlign.Centre,
            false,
            CutChoice.AsIs,
            new AltChoice(true, null),
            new CaptionChoice(CaptionSource.None)
        );
}
