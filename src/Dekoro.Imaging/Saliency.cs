using Dekoro.Core.Geometry;

namespace Dekoro.Imaging;

/// <summary>
/// What stands out in a small copy of a picture, and the box that holds most of it: px that no path leads to from the
/// border without passing over a barrier of light or colour, that are unlike the border's colours, and in focus.
/// </summary>
/// <param name="lab">CIELAB, three floats a px, row by row.</param>
/// <remarks>
/// Zhang, Sclaroff, Lin, Shen, Price and Měch, Minimum barrier salient object detection at 80 fps (ICCV 2015).
/// </remarks>
internal sealed class Saliency(float[] lab, int width, int height)
{
    private const int Passes = 3,
        Channels = 3;

    /// <summary>How deep the border is whose colours count as ground, as a share of the shorter side.</summary>
    private const double BorderShare = 0.1;

    /// <summary>How far focus, and being near the middle, count beside standing out.</summary>
    private const double FocusShare = 0.8,
        MiddleShare = 0.4;

    /// <summary>What stands out less than this by what stands out most is ground.</summary>
    private const double GroundBelow = 0.25;

    /// <summary>The box holds this share of what stands out.</summary>
    private const double Held = 0.87;

    /// <summary>A box that holds no more than this, by what any box of its size would, holds no subject.</summary>
    private const double LeastClear = 1.8;

    /// <summary>
    /// Of what is wider or higher than this share of the picture, most cuts lose some: it is kept by its heart, not by
    /// the middle between its ends.
    /// </summary>
    private const double Widest = 0.5;

    /// <summary>Beside the box on each side, as a share of it.</summary>
    private const double Air = 0.1;

    private readonly int _count = width * height;

    /// <summary>The box round the main part; null where nothing stands out.</summary>
    public FocalRegion? MainPart()
    {
        var map = Map();
        var (left, top, right, bottom) = Box(map);
        var area = (double)(right - left) * (bottom - top) / _count;
        if (area <= 0 || Held / area < LeastClear)
            return null;
        (left, right) = Heart(left, right, (int)(Widest * width), x => Column(map, x, top, bottom));
        (top, bottom) = Heart(top, bottom, (int)(Widest * height), y => Row(map, y, left, right));
        // What fades out at the sides of the subject belongs to it: the box has some air.
        var (airX, airY) = (Air * (right - left), Air * (bottom - top));
        var (x, y) = (Math.Max(0, left - airX), Math.Max(0, top - airY));
        return new(
            x / width,
            y / height,
            (Math.Min(width, right + airX) - x) / width,
            (Math.Min(height, bottom + airY) - y) / height
        );
    }

    /// <summary>How much each px stands out, 0 to 1.</summary>
    internal float[] Map()
    {
        var (barriers, unlike, focus) = (Normal(Barriers()), Normal(Unlikeness()), Normal(Focus()));
        var map = new float[_count];
        for (int y = 0, i = 0; y < height; y++)
        for (var x = 0; x < width; x++, i++)
        {
            var (dx, dy) = (2.0 * x / width - 1, 2.0 * y / height - 1);
            map[i] = (float)(
                (barriers[i] + unlike[i])
                * (1 - FocusShare + FocusShare * focus[i])
                * (1 - MiddleShare * Math.Min(1, (dx * dx + dy * dy) / 2))
            );
        }
        map = Normal(Smoothed(map, Math.Max(1, Math.Min(width, height) / 40)));
        for (var i = 0; i < _count; i++)
            map[i] = map[i] < GroundBelow ? 0 : map[i];
        return map;
    }

    /// <summary>Of all ways from the border, the least barrier: the most less the least value on the way.</summary>
    private float[] Barriers()
    {
        var sum = new float[_count];
        for (var channel = 0; channel < Channels; channel++)
        {
            var values = new float[_count];
            for (var i = 0; i < _count; i++)
                values[i] = lab[i * Channels + channel];
            var distance = Barriers(values);
            for (var i = 0; i < _count; i++)
                sum[i] += distance[i];
        }
        return sum;
    }

    private float[] Barriers(float[] values)
    {
        var (high, low, distance) = ((float[])values.Clone(), (float[])values.Clone(), new float[_count]);
        for (var i = 0; i < _count; i++)
            distance[i] = IsBorder(i) ? 0 : float.MaxValue;
        for (var pass = 0; pass < Passes; pass++)
        {
            // Forwards from above and the left, then backwards from below and the right.
            var way = pass % 2 == 0 ? 1 : -1;
            for (var k = 0; k < _count; k++)
            {
                var i = way > 0 ? k : _count - 1 - k;
                if (IsBorder(i))
                    continue;
                Reach(i, i - way);
                Reach(i, i - way * width);
            }
        }
        return distance;

        void Reach(int i, int from)
        {
            var (most, least) = (Math.Max(high[from], values[i]), Math.Min(low[from], values[i]));
            if (most - least < distance[i])
                (distance[i], high[i], low[i]) = (most - least, most, least);
        }
    }

    private bool IsBorder(int i) => i % width == 0 || i % width == width - 1 || i < width || i >= _count - width;

    /// <summary>How unlike the border's colours a px is, side by side, but for the side it is most unlike.</summary>
    private float[] Unlikeness()
    {
        var depth = Math.Max(1, (int)(Math.Min(width, height) * BorderShare));
        var (sum, most) = (new float[_count], new float[_count]);
        foreach (
            var far in new[]
            {
                From(0, 0, width, depth),
                From(0, height - depth, width, height),
                From(0, 0, depth, height),
                From(width - depth, 0, width, height),
            }
        )
            for (var i = 0; i < _count; i++)
                (sum[i], most[i]) = (sum[i] + far[i], Math.Max(most[i], far[i]));
        for (var i = 0; i < _count; i++)
            sum[i] -= most[i];
        return sum;

        float[] From(int left, int top, int right, int bottom)
        {
            var (mean, square, n) = (new double[Channels], new double[Channels], (right - left) * (bottom - top));
            for (var y = top; y < bottom; y++)
            for (var i = (y * width + left) * Channels; i < (y * width + right) * Channels; i++)
            {
                mean[i % Channels] += lab[i];
                square[i % Channels] += (double)lab[i] * lab[i];
            }
            var far = new float[_count];
            for (var c = 0; c < Channels; c++)
            {
                mean[c] /= n;
                var spread = Math.Max(9, square[c] / n - mean[c] * mean[c]);
                for (var i = 0; i < _count; i++)
                {
                    var apart = lab[i * Channels + c] - mean[c];
                    far[i] += (float)(apart * apart / spread);
                }
            }
            for (var i = 0; i < _count; i++)
                far[i] = MathF.Sqrt(far[i]);
            return Normal(far);
        }
    }

    /// <summary>How much light and colour change from px to px round about.</summary>
    private float[] Focus()
    {
        var steps = new float[_count];
        for (var y = 1; y < height - 1; y++)
        for (var x = 1; x < width - 1; x++)
        {
            var i = y * width + x;
            for (var c = 0; c < Channels; c++)
                steps[i] +=
                    Math.Abs(lab[(i + 1) * Channels + c] - lab[(i - 1) * Channels + c])
                    + Math.Abs(lab[(i + width) * Channels + c] - lab[(i - width) * Channels + c]);
        }
        return Smoothed(steps, Math.Max(1, Math.Min(width, height) / 16));
    }

    /// <summary>Means over squares, from sums of all above and left.</summary>
    private float[] Smoothed(float[] values, int radius)
    {
        var sums = new double[(width + 1) * (height + 1)];
        for (var y = 0; y < height; y++)
        for (var x = 0; x < width; x++)
            sums[(y + 1) * (width + 1) + x + 1] =
                values[y * width + x]
                + sums[y * (width + 1) + x + 1]
                + sums[(y + 1) * (width + 1) + x]
                - sums[y * (width + 1) + x];
        var smooth = new float[_count];
        for (var y = 0; y < height; y++)
        for (var x = 0; x < width; x++)
        {
            var (l, t) = (Math.Max(0, x - radius), Math.Max(0, y - radius));
            var (r, b) = (Math.Min(width, x + radius + 1), Math.Min(height, y + radius + 1));
            var sum =
                sums[b * (width + 1) + r]
                - sums[t * (width + 1) + r]
                - sums[b * (width + 1) + l]
                + sums[t * (width + 1) + l];
            smooth[y * width + x] = (float)(sum / ((r - l) * (b - t)));
        }
        return smooth;
    }

    private static float[] Normal(float[] values)
    {
        var least = values.Min();
        var range = Math.Max(1e-6f, values.Max() - least);
        return Array.ConvertAll(values, v => (v - least) / range);
    }

    /// <summary>Sides are moved in, each time the one that loses least for its length, while enough is held.</summary>
    private (int Left, int Top, int Right, int Bottom) Box(float[] map)
    {
        var (left, top, right, bottom) = (0, 0, width, height);
        double all = map.Sum(),
            held = all;
        if (all <= 0)
            return (0, 0, 0, 0);
        while (right - left > 1 && bottom - top > 1)
        {
            var sides = new (double Lost, int Length, int Side)[]
            {
                (Column(map, left, top, bottom), bottom - top, 0),
                (Column(map, right - 1, top, bottom), bottom - top, 1),
                (Row(map, top, left, right), right - left, 2),
                (Row(map, bottom - 1, left, right), right - left, 3),
            };
            var (lost, _, side) = sides.MinBy(s => s.Lost / s.Length);
            if (held - lost < Held * all)
                break;
            held -= lost;
            (left, right, top, bottom) = side switch
            {
                0 => (left + 1, right, top, bottom),
                1 => (left, right - 1, top, bottom),
                2 => (left, right, top + 1, bottom),
                _ => (left, right, top, bottom - 1),
            };
        }
        return (left, top, right, bottom);
    }

    /// <summary>Of a longer stretch the part of a length that holds most, nearest to the middle of it.</summary>
    private static (int From, int To) Heart(int from, int to, int most, Func<int, double> lineOf)
    {
        if (to - from <= most)
            return (from, to);
        var lines = Enumerable.Range(from, to - from).Select(lineOf).ToArray();
        var start = Enumerable
            .Range(0, lines.Length - most + 1)
            .MaxBy(i => (lines[i..(i + most)].Sum(), -Math.Abs(2 * i + most - lines.Length)));
        return (from + start, from + start + most);
    }

    private double Column(float[] map, int x, int top, int bottom)
    {
        var sum = 0.0;
        for (var y = top; y < bottom; y++)
            sum += map[y * width + x];
        return sum;
    }

    private double Row(float[] map, int y, int left, int right)
    {
        var sum = 0.0;
        for (var x = left; x < right; x++)
            sum += map[y * width + x];
        return sum;
    }
}
