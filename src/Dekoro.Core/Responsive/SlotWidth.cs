using System.Collections.Immutable;

namespace Dekoro.Core.Responsive;

/// <summary>
/// The width of a place at every viewport width W: affine pieces, sorted, the first from 0. It starts as the viewport
/// and is carried down the page's structure; nesting is composition of these operations and nothing else.
/// </summary>
public sealed class SlotWidth : IEquatable<SlotWidth>
{
    private SlotWidth(IEnumerable<Segment> segments) => Segments = Merge(segments);

    /// <summary>From which width of the screen which length holds, narrowest first.</summary>
    public ImmutableArray<Segment> Segments { get; }

    /// <summary>As wide as the screen.</summary>
    public static SlotWidth Viewport { get; } = new([new(0, Affine.Container)]);

    /// <summary>The slot in CSS px at a viewport of <paramref name="viewportCssPx"/>; never negative.</summary>
    public double At(double viewportCssPx)
    {
        var i = Segments.Length - 1;
        while (i > 0 && Segments[i].FromPx > viewportCssPx)
            i--;
        return Math.Max(0, Segments[i].Length.At(viewportCssPx));
    }

    /// <summary>Takes the same padding off both sides, as set for each class.</summary>
    public SlotWidth Inset(PerClass<double> paddingPx, WidthClasses classes) =>
        PerClass(paddingPx.Select((_, px) => Map(l => l - Affine.Px(2 * px))), classes);

    /// <summary>The same, at most so many CSS px.</summary>
    public SlotWidth Cap(double maxPx) => Pick(this, Constant(maxPx), least: true);

    /// <summary>The same, at least so many CSS px.</summary>
    public SlotWidth AtLeast(double minPx) => Pick(this, Constant(minPx), least: false);

    /// <summary>What a frame leaves of it.</summary>
    /// <param name="framePx">What border and padding take of the width, CSS px.</param>
    public SlotWidth Framed(int framePx) =>
        framePx == 0 ? this : Within(Affine.Container - Affine.Px(framePx)).AtLeast(1);

    /// <summary>What a frame leaves of a picture in a set.</summary>
    /// <param name="linePx">The border on one side, CSS px.</param>
    /// <param name="paddingPx">On one side, CSS px.</param>
    /// <param name="mostShare">Of the width, for padding on one side: less of it stands where the picture is
    /// small.</param>
    public SlotWidth Framed(int linePx, int paddingPx, double mostShare) =>
        Pick(
            Framed(2 * (linePx + paddingPx)),
            Within((1 - 2 * mostShare) * Affine.Container - Affine.Px(2 * linePx)),
            least: false
        );

    /// <summary>The narrower of two slots at every width.</summary>
    public SlotWidth Cap(SlotWidth other) => Pick(this, other, least: true);

    /// <summary>One of n equal cells with gutters between: (w − (n−1)·g)/n.</summary>
    /// <exception cref="ArgumentOutOfRangeException">A count below 1.</exception>
    public SlotWidth Share(int count, double gutterPx)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(count, 1);
        return Map(l => 1.0 / count * (l - Affine.Px((count - 1) * gutterPx)));
    }

    /// <summary>A share f of the slot that leaves room for its gutter: f·(w + g) − g.</summary>
    public SlotWidth Part(double f, double gutterPx) => Within(Affine.Part(f, gutterPx));

    /// <summary>A length that is affine in this slot.</summary>
    public SlotWidth Within(Affine inner) => Map(inner.Within);

    /// <summary>In each class the slot set for it.</summary>
    public static SlotWidth PerClass(PerClass<SlotWidth> slots, WidthClasses classes)
    {
        var segments = new List<Segment>();
        for (var i = 0; i < WidthClasses.All.Count; i++)
        {
            var from = (double)classes.FromPx(WidthClasses.All[i]);
            var to = i + 1 < WidthClasses.All.Count ? classes.FromPx(WidthClasses.All[i + 1]) : double.PositiveInfinity;
            segments.AddRange(slots[WidthClasses.All[i]].Between(from, to));
        }
        return new SlotWidth(segments);
    }

    /// <summary>Only what holds from one viewport width up to another, carried on below it.</summary>
    public SlotWidth Only(double fromPx, double toPx) =>
        new(Between(fromPx, toPx).Select((s, i) => i == 0 ? s with { FromPx = 0 } : s));

    /// <summary>Takes no room.</summary>
    public static SlotWidth None { get; } = Constant(0);

    /// <summary>
    /// The <c>sizes</c> attribute (HTML, 4.8.4.2.2): a source size list from the widest piece down, in vw and px.
    /// </summary>
    public string ToSizes() =>
        string.Join(
            ", ",
            Segments
                .Reverse()
                .Select(s =>
                    s.FromPx > 0
                        ? $"(min-width: {Affine.Number(s.FromPx)}px) {s.Length.ToCss("vw")}"
                        : s.Length.ToCss("vw")
                )
        );

    /// <inheritdoc/>
    public bool Equals(SlotWidth? other) => other is not null && Segments.SequenceEqual(other.Segments);

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as SlotWidth);

    /// <summary>Puts slots into some order, always the same.</summary>
    public static Comparer<SlotWidth> Order { get; } =
        Comparer<SlotWidth>.Create(
            (one, other) =>
                one.Segments.Length != other.Segments.Length
                    ? one.Segments.Length.CompareTo(other.Segments.Length)
                    : one.Segments.Zip(other.Segments, Compare).FirstOrDefault(order => order != 0)
        );

    private static int Compare(Segment a, Segment b) =>
        (a.FromPx, a.Length.A, a.Length.B).CompareTo((b.FromPx, b.Length.A, b.Length.B));

    /// <inheritdoc/>
    public override int GetHashCode() => Segments.Aggregate(0, HashCode.Combine);

    /// <inheritdoc/>
    public override string ToString() => ToSizes();

    /// <summary>As wide on every screen.</summary>
    public static SlotWidth Of(double px) => Constant(px);

    private static SlotWidth Constant(double px) => new([new(0, Affine.Px(px))]);

    private SlotWidth Map(Func<Affine, Affine> f) => new(Segments.Select(s => s with { Length = f(s.Length) }));

    private IEnumerable<Segment> Between(double from, double to)
    {
        for (var i = 0; i < Segments.Length; i++)
        {
            var end = i + 1 < Segments.Length ? Segments[i + 1].FromPx : double.PositiveInfinity;
            if (end <= from || Segments[i].FromPx >= to)
                continue;
            yield return Segments[i] with
            {
                FromPx = Math.Max(from, Segments[i].FromPx),
            };
        }
    }

    private static SlotWidth Pick(SlotWidth x, SlotWidth y, bool least)
    {
        var starts = x.Segments.Concat(y.Segments).Select(s => s.FromPx).Distinct().Order().ToList();
        var result = new List<Segment>();
        for (var i = 0; i < starts.Count; i++)
        {
            var (from, to) = (starts[i], i + 1 < starts.Count ? starts[i + 1] : double.PositiveInfinity);
            var (a, b) = (x.Between(from, to).First().Length, y.Between(from, to).First().Length);
            result.Add(new(from, Chosen(double.IsInfinity(to) ? from + 2 : (from + to) / 2)));
            if (a.Crossing(b) is { } joint && joint > from && joint < to)
            {
                result[^1] = new(from, Chosen((from + joint) / 2));
                result.Add(new(joint, Chosen(double.IsInfinity(to) ? joint + 1 : (joint + to) / 2)));
            }

            // Judged inside the piece: at its ends the two may be equal.
            Affine Chosen(double inside) => (a.At(inside) <= b.At(inside)) == least ? a : b;
        }
        return new SlotWidth(result);
    }

    private static ImmutableArray<Segment> Merge(IEnumerable<Segment> segments)
    {
        var merged = new List<Segment>();
        foreach (var s in segments)
        {
            if (merged.Count == 0 || !merged[^1].Length.Near(s.Length))
                merged.Add(s);
        }
        return [.. merged];
    }
}
