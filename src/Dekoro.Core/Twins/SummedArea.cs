namespace Dekoro.Core.Twins;

/// <summary>Means of a plane of values over any box, whole px or not.</summary>
/// <remarks>A summed-area table (Crow 1984), read between its corners.</remarks>
internal sealed class SummedArea
{
    private readonly int _width,
        _height;
    private readonly double[] _sums;

    /// <param name="values">Row by row.</param>
    public SummedArea(ReadOnlySpan<float> values, int width, int height)
    {
        (_width, _height) = (width, height);
        _sums = new double[(width + 1) * (height + 1)];
        for (var y = 0; y < height; y++)
        {
            var row = 0.0;
            for (var x = 0; x < width; x++)
            {
                row += values[y * width + x];
                _sums[(y + 1) * (width + 1) + x + 1] = _sums[y * (width + 1) + x + 1] + row;
            }
        }
    }

    /// <summary>Of a window in shares of the plane, cut into cells, row by row.</summary>
    public double[] Cells(View window, int across, int down)
    {
        var cells = new double[across * down];
        var (left, top) = (window.Left * _width, window.Top * _height);
        var (stepX, stepY) = (window.Width * _width / across, window.Height * _height / down);
        for (var y = 0; y < down; y++)
        for (var x = 0; x < across; x++)
        {
            var (x0, y0) = (left + x * stepX, top + y * stepY);
            cells[y * across + x] = Mean(x0, y0, x0 + stepX, y0 + stepY);
        }
        return cells;
    }

    /// <summary>Of a box in px.</summary>
    public double Mean(double x0, double y0, double x1, double y1) => Sum(x0, y0, x1, y1) / ((x1 - x0) * (y1 - y0));

    private double Sum(double x0, double y0, double x1, double y1) => To(x1, y1) - To(x0, y1) - To(x1, y0) + To(x0, y0);

    /// <summary>Of all that lies left of and above a point.</summary>
    private double To(double x, double y)
    {
        var (column, row) = (Math.Clamp((int)x, 0, _width - 1), Math.Clamp((int)y, 0, _height - 1));
        var (partX, partY) = (x - column, y - row);
        var at = row * (_width + 1) + column;
        var above = _sums[at] + (_sums[at + 1] - _sums[at]) * partX;
        at += _width + 1;
        var below = _sums[at] + (_sums[at + 1] - _sums[at]) * partX;
        return above + (below - above) * partY;
    }
}
