using System.Collections.Immutable;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Layout;

/// <summary>Pictures in columns, in order to the shortest, the columns' widths set so that all end level.</summary>
/// <param name="Columns">The items of each column, in order.</param>
/// <param name="Widths">Of each column, affine in the container.</param>
/// <param name="IsLevel">False where no such widths lie near enough to equal: then all are equal, and the bottoms
/// ragged.</param>
public sealed record LevelColumns(
    ImmutableArray<ImmutableArray<int>> Columns,
    ImmutableArray<Affine> Widths,
    bool IsLevel
)
{
    /// <summary>How far a column's width may lie from the others', as a share.</summary>
    public const double MaxUneven = 0.15;

    /// <param name="shapes">Width over height.</param>
    /// <param name="belowPx">What stands below each picture in its column whatever its width, CSS px.</param>
    /// <param name="narrowestPx">Container at the narrow end of the class, CSS px; widths are held to both
    /// ends.</param>
    public static LevelColumns Of(
        IReadOnlyList<double> shapes,
        IReadOnlyList<double> belowPx,
        int count,
        double gutterPx,
        double narrowestPx,
        double widestPx
    )
    {
        count = Math.Max(1, Math.Min(count, shapes.Count));
        var search = new LevelSearch(shapes, belowPx, count, gutterPx, narrowestPx, widestPx);
        var columns = search.Best();
        var isLevel = search.UnevennessOf(columns) <= MaxUneven;
        return new(
            [.. columns.Select(c => c.Order().ToImmutableArray())],
            isLevel ? [.. search.WidthsOf(columns)] : [.. Enumerable.Repeat(Affine.Part(1.0 / count, gutterPx), count)],
            isLevel
        );
    }
}
