using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Content;

/// <summary>Cells side by side, all as wide as each other; on narrower screens fewer stand in a row.</summary>
/// <param name="InRow">2 to 6 on desktops.</param>
/// <param name="LeastHeightPx">Of each row, CSS px for each class of screen; 0: as high as what stands in it.</param>
/// <param name="Across">Where lines of words stand in cells with a ground.</param>
/// <param name="Down">Where what stands in such a cell is put, where the cell is higher.</param>
public sealed record ColumnsBlock(
    string Id,
    int InRow,
    Extent Extent,
    PerClass<int> LeastHeightPx,
    HorizontalAlign Across,
    VerticalAlign Down,
    ImmutableArray<CellBlock> Cells
) : Block(Id)
{
    /// <summary>Bounds of cells beside one another, and of all.</summary>
    public const int MinInRow = 2,
        MaxInRow = 6,
        MaxCells = 24;

    /// <inheritdoc/>
    public override IEnumerable<Block> Children() => Cells;

    /// <inheritdoc/>
    public override Block WithChildren(Func<ImmutableArray<Block>, ImmutableArray<Block>> change)
    {
        var given = Cells.CastArray<Block>();
        return change(given) is var cells && cells == given ? this : this with { Cells = [.. cells.Cast<CellBlock>()] };
    }

    /// <summary>What stands in the cells, cell by cell.</summary>
    public IEnumerable<Block> Pieces => Cells.SelectMany(c => c.Blocks);

    /// <summary>True where no cell shows anything: such cells wait on the desk and are never published.</summary>
    public bool IsEmpty => !Pieces.Any() && !Cells.Any(c => c.HasBackdrop);

    /// <inheritdoc/>
    public override string KindInWords => "columns";
}
