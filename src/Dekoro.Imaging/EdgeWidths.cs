using Dekoro.Core.Geometry;

namespace Dekoro.Imaging;

/// <summary>
/// How wide the sharpest edges of a picture are, in px: an edge is a rise along a row or a column that goes one way,
/// and its width is that rise by its steepest step. In tiles, because shallow focus is no blur: a picture is as sharp
/// as the sharpest tenth of its tiles that have edges.
/// </summary>
/// <param name="grey">Row by row, <paramref name="width"/> × <paramref name="height"/> bytes.</param>
/// <remarks>
/// After Marziliano, Dufaux, Winkler and Ebrahimi, A no-reference perceptual blur metric (2002), and Narvekar and Karam
/// (2011). A step that is blurred by a Gaussian of σ px has a width of σ·√(2π).
/// </remarks>
internal sealed class EdgeWidths(byte[] grey, int width, int height)
{
    /// <summary>Side of a tile, px.</summary>
    private const int TilePx = 64;

    /// <summary>Three neighbouring lines are added up: grain is less, edges across them stay.</summary>
    private const int Lines = 3;

    private const int LeastRise = 24 * Lines,
        LeastStep = 2 * Lines,
        LeastEdges = 5,
        LeastTiles = 3,
        /// <summary>Every fourth line is read: edges are longer than that.</summary>
        EachLine = 4;

    /// <summary>Tiles of a place, and what one without edges costs it.</summary>
    private const int Around = 9;
    private const double PerEmpty = 0.06;

    /// <summary>Of the edges of a tile, and of the tiles, the sharper ones count.</summary>
    private const double ShareInTile = 0.3,
        ShareOfTiles = 0.1;

    private readonly int _across = (width + TilePx - 1) / TilePx;
    private readonly List<float>?[] _tiles = new List<float>?[
        (width + TilePx - 1) / TilePx * ((height + TilePx - 1) / TilePx)
    ];

    /// <summary>
    /// On a copy on which blur is about as wide as what is pictured is small, edges run into one another: the widths of
    /// wide ones are told from smaller copies.
    /// </summary>
    private const double WidestTold = 2.6;

    private const int LeastSidePx = 4 * TilePx;

    /// <summary>
    /// How a width that is told this way stands to the width of a lone step, by pictures that were blurred on purpose.
    /// </summary>
    private const double PerTold = 1.55,
        OffTold = -0.5;

    /// <returns>Width in px of the sharpest edges; null where there are too few to tell.</returns>
    public static double? Of(byte[] grey, int width, int height)
    {
        for (var scale = 1; ; scale *= 2)
        {
            if (new EdgeWidths(grey, width, height).Read().Sharpest() is not { } told)
                return null;
            if (told <= WidestTold || Math.Min(width, height) < 2 * LeastSidePx)
                return EdgePxOf(told) * scale;
            (grey, width, height) = (Halved(grey, width, height), width / 2, height / 2);
        }
    }

    /// <summary>Where the edges are sharpest, and how wide they are there: a few tiles, so that no speck of dust is
    /// taken for it.</summary>
    /// <returns>Null where there are too few edges to tell.</returns>
    public static (FocalRegion Box, double EdgePx)? PlaceOf(byte[] grey, int width, int height) =>
        Of(grey, width, height) is { } all
        && new EdgeWidths(grey, width, height).Read().SharpestPlace() is var (box, told)
            ? (box, Math.Min(all, EdgePxOf(told)))
            : null;

    private static double EdgePxOf(double told) => Math.Max(1, PerTold * told + OffTold);

    private static byte[] Halved(byte[] grey, int width, int height)
    {
        var (w, h) = (width / 2, height / 2);
        var half = new byte[w * h];
        for (var y = 0; y < h; y++)
        for (var (x, at) = (0, 2 * y * width); x < w; x++, at += 2)
            half[y * w + x] = (byte)((grey[at] + grey[at + 1] + grey[at + width] + grey[at + width + 1] + 2) / 4);
        return half;
    }

    /// <summary>The tile of which the mean with its neighbours is sharpest, with those neighbours.</summary>
    private (FocalRegion Box, double Told)? SharpestPlace()
    {
        var down = _tiles.Length / _across;
        var told = _tiles.Select(e => e is { Count: >= LeastEdges } ? At(e, ShareInTile) : double.NaN).ToArray();
        var places =
            from row in Enumerable.Range(0, down)
            from column in Enumerable.Range(0, _across)
            let round = Round(column, row).Where(w => !double.IsNaN(w)).ToList()
            // Edges in a corner of the neighbourhood alone say little of it.
            where round.Count >= LeastTiles
            // Of two that are about as sharp the one with edges in more of it: it is that which is in focus.
            select (
                column,
                row,
                Mean: round.Average(),
                Score: round.Average() * (1 + PerEmpty * (Around - round.Count))
            );
        if (
            places.OrderBy(p => p.Score).Select(p => ((int, int, double)?)(p.column, p.row, p.Mean)).FirstOrDefault()
            is not var (x, y, mean)
        )
            return null;
        var (left, top) = (Math.Max(0, x - 1) * TilePx, Math.Max(0, y - 1) * TilePx);
        var (right, bottom) = (Math.Min(width, (x + 2) * TilePx), Math.Min(height, (y + 2) * TilePx));
        return (
            new FocalRegion(
                (double)left / width,
                (double)top / height,
                (double)(right - left) / width,
                (double)(bottom - top) / height
            ),
            mean
        );

        IEnumerable<double> Round(int column, int row) =>
            from dy in Enumerable.Range(row - 1, 3)
            from dx in Enumerable.Range(column - 1, 3)
            where dx >= 0 && dx < _across && dy >= 0 && dy < down
            select told[dy * _across + dx];
    }

    /// <summary>Reads the edges of the picture into tiles.</summary>
    private EdgeWidths Read()
    {
        var (line, column, ofColumns) = (new int[width], new int[height], new List<float>?[_tiles.Length]);
        Parallel.Invoke(
            () =>
            {
                for (var y = 1; y < height - 1; y += EachLine)
                    Read(line, new(width, y * width, 1, width, y / TilePx * _across, 1), _tiles);
            },
            () =>
            {
                for (var x = 1; x < width - 1; x += EachLine)
                    Read(column, new(height, x, width, 1, x / TilePx, _across), ofColumns);
            }
        );
        for (var i = 0; i < _tiles.Length; i++)
            if (ofColumns[i] is { } edges)
                (_tiles[i] ??= []).AddRange(edges);
        return this;
    }

    private double? Sharpest()
    {
        var tiles = _tiles
            .Where(edges => edges is { Count: >= LeastEdges })
            .Select(edges => At(edges!, ShareInTile))
            .Order()
            .ToList();
        if (tiles.Count < LeastTiles)
            return null;
        // The middle one of the sharpest: dust and a border have a tile or two to themselves.
        return tiles[Math.Max(LeastTiles, (int)(tiles.Count * ShareOfTiles)) / 2];
    }

    /// <summary>A row or a column.</summary>
    /// <param name="Begin">Of its first px in the bytes.</param>
    /// <param name="Along">From there to the next px of it.</param>
    /// <param name="Beside">To the next line.</param>
    private readonly record struct Line(int Length, int Begin, int Along, int Beside, int FirstTile, int NextTile);

    /// <summary>The edges of one line into the tiles they stand in.</summary>
    /// <param name="values">Room for as many as it has.</param>
    /// <param name="line">Which it is.</param>
    /// <param name="tiles">Where they are added.</param>
    private void Read(int[] values, Line line, List<float>?[] tiles)
    {
        for (int i = 0, at = line.Begin; i < line.Length; i++, at += line.Along)
            values[i] = grey[at - line.Beside] + grey[at] + grey[at + line.Beside];
        var (from, steepest, steepestAt, way) = (0, 0, 0, 0);
        for (var i = 1; i < line.Length; i++)
        {
            var step = values[i] - values[i - 1];
            var now = Math.Sign(step);
            if (now != way)
            {
                if (steepest >= LeastStep)
                    Take(from, i - 1, steepest, steepestAt);
                (from, steepest, way) = (i - 1, 0, now);
            }
            if (Math.Abs(step) > steepest)
                (steepest, steepestAt) = (Math.Abs(step), i);
        }

        void Take(int first, int last, int step, int stepAt)
        {
            var rise = Math.Abs(values[last] - values[first]);
            var at = line.Begin + stepAt * line.Along;
            // One that runs aslant is wider along this line than it is across.
            if (rise < LeastRise || Lines * Math.Abs(grey[at + line.Beside] - grey[at - line.Beside]) > step)
                return;
            (tiles[line.FirstTile + stepAt / TilePx * line.NextTile] ??= []).Add((float)rise / step);
        }
    }

    private static double At(List<float> values, double share)
    {
        values.Sort();
        return values[(int)(values.Count * share)];
    }
}
