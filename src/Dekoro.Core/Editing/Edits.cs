using Dekoro.Core.Geometry;

namespace Dekoro.Core.Editing;

/// <summary>
/// What was done to an original, in one normal form, whatever the order in which a person did it: mirrored, then
/// turned, then straightened, then cut, then adjusted. Equal values are equal pictures.
/// </summary>
/// <remarks>Turns and mirroring are the eight symmetries of a rectangle (the dihedral group of order 8).</remarks>
public sealed record Edits
{
    /// <summary>How far a picture can be straightened either way, degrees.</summary>
    public const double MaxStraightenDeg = 15;

    /// <summary>Least width and height of a cut, as a share of what is cut.</summary>
    public const double MinWindow = 0.02;

    /// <summary>The picture as it came.</summary>
    public static Edits None { get; } = new();

    /// <summary>Quarter turns clockwise, 0 to 3.</summary>
    public int QuarterTurns { get; private init; }

    /// <summary>Left and right exchanged, before it is turned.</summary>
    public bool IsMirrored { get; private init; }

    /// <summary>
    /// Clockwise about the middle; what stays is the largest frame of the same shape without empty corners.
    /// </summary>
    public double StraightenDeg { get; private init; }

    /// <summary>The cut, as fractions of the straightened frame.</summary>
    public FocalRegion Window { get; private init; } = new(0, 0, 1, 1);

    /// <summary>Where the scales stand.</summary>
    public Adjustments Adjustments { get; private init; } = Adjustments.None;

    /// <summary>Whether nothing is changed.</summary>
    public bool IsNone => this == None;

    /// <summary>True where the pixels move, and not only their colours change.</summary>
    public bool ChangesGeometry => (this with { Adjustments = Adjustments.None }) != None;

    /// <exception cref="ArgumentOutOfRangeException">An angle beyond <see cref="MaxStraightenDeg"/>, or a window below
    /// <see cref="MinWindow"/>.</exception>
    public static Edits Of(
        int quarterTurns,
        bool isMirrored,
        double straightenDeg,
        FocalRegion window,
        Adjustments adjustments
    )
    {
        if (!(Math.Abs(straightenDeg) <= MaxStraightenDeg))
            throw new ArgumentOutOfRangeException(
                nameof(straightenDeg),
                straightenDeg,
                $"A picture is straightened by at most {MaxStraightenDeg}° either way."
            );
        if (window.Width < MinWindow || window.Height < MinWindow)
            throw new ArgumentOutOfRangeException(
                nameof(window),
                window,
                $"A cut keeps at least {MinWindow:P0} of the width and height."
            );
        return new()
        {
            QuarterTurns = ((quarterTurns % 4) + 4) % 4,
            IsMirrored = isMirrored,
            StraightenDeg = Rounded(straightenDeg, 2),
            Window = Rounded(window),
            Adjustments = adjustments,
        };
    }

    /// <summary>Turned by quarters clockwise, as it is seen.</summary>
    public Edits Turned(int quarters = 1)
    {
        var turned = this;
        for (var i = 0; i < ((quarters % 4) + 4) % 4; i++)
        {
            var w = turned.Window;
            turned = turned with
            {
                QuarterTurns = (turned.QuarterTurns + 1) % 4,
                Window = Rounded(new(Math.Max(0, 1 - w.Y - w.Height), w.X, w.Height, w.Width)),
            };
        }
        return turned;
    }

    /// <summary>Left and right exchanged, as it is seen.</summary>
    public Edits Mirrored() =>
        this with
        {
            IsMirrored = !IsMirrored,
            // A reflection turns every rotation round.
            QuarterTurns = (4 - QuarterTurns) % 4,
            StraightenDeg = StraightenDeg == 0 ? 0 : -StraightenDeg,
            Window = Rounded(new(Math.Max(0, 1 - Window.X - Window.Width), Window.Y, Window.Width, Window.Height)),
        };

    /// <exception cref="ArgumentOutOfRangeException">Beyond <see cref="MaxStraightenDeg"/>.</exception>
    public Edits Straightened(double deg) => Of(QuarterTurns, IsMirrored, deg, Window, Adjustments);

    /// <param name="window">Fractions of the straightened frame.</param>
    public Edits CutTo(FocalRegion window) => Of(QuarterTurns, IsMirrored, StraightenDeg, window, Adjustments);

    /// <summary>Cut to the largest window of a shape, about the middle of the cut there is.</summary>
    /// <exception cref="ArgumentOutOfRangeException">A shape so narrow that the window falls below <see
    /// cref="MinWindow"/>.</exception>
    public Edits CutTo(AspectRatio shape, PixelSize original)
    {
        var (w, h) = FrameOf(original);
        var perHeight = shape.Value / (w / h);
        var (width, height) = perHeight <= 1 ? (perHeight, 1.0) : (1.0, 1 / perHeight);
        return CutTo(
            new(
                Math.Clamp(Window.CentreX - width / 2, 0, 1 - width),
                Math.Clamp(Window.CentreY - height / 2, 0, 1 - height),
                width,
                height
            )
        );
    }

    /// <summary>The same with other scales.</summary>
    public Edits Adjusted(Adjustments adjustments) => this with { Adjustments = adjustments };

    /// <summary>The frame a cut is drawn in: turned and straightened, before the cut. Px of the original.</summary>
    public (double Width, double Height) FrameOf(PixelSize original)
    {
        var (w, h) = QuarterTurns % 2 == 0 ? (original.Width, original.Height) : (original.Height, original.Width);
        var s = ShareLeft(w, h);
        return (w * s, h * s);
    }

    /// <summary>The edited picture's size, in px of the original: edits never make new pixels.</summary>
    public PixelSize SizeOf(PixelSize original)
    {
        var (w, h) = FrameOf(original);
        return new(Math.Max(1, (int)Math.Round(w * Window.Width)), Math.Max(1, (int)Math.Round(h * Window.Height)));
    }

    /// <summary>Where each px of the original lies in the edited picture.</summary>
    public PictureMap MapFrom(PixelSize original)
    {
        var map = PictureMap.Identity;
        var (w, h) = ((double)original.Width, (double)original.Height);
        if (IsMirrored)
            map = map.Then(new(-1, 0, 0, 1, w, 0));
        for (var i = 0; i < QuarterTurns; i++)
            (map, w, h) = (map.Then(new(0, 1, -1, 0, h, 0)), h, w);
        var angle = StraightenDeg * Math.PI / 180;
        var (cos, sin, s) = (Math.Cos(angle), Math.Sin(angle), ShareLeft(w, h));
        // About the middle of the picture, to the middle of the smaller frame.
        map = map.Then(new(1, 0, 0, 1, -w / 2, -h / 2))
            .Then(new(cos, sin, -sin, cos, 0, 0))
            .Then(new(1, 0, 0, 1, w * s / 2, h * s / 2));
        return map.Then(new(1, 0, 0, 1, -w * s * Window.X, -h * s * Window.Y));
    }

    /// <summary>
    /// The same part of the picture after other edits: the smallest upright box round it, cut at the edges. Null where
    /// too little of it is left to speak of.
    /// </summary>
    /// <param name="keep">Fractions of the picture after these edits.</param>
    public FocalRegion? Follow(FocalRegion keep, Edits to, PixelSize original)
    {
        if (this with { Adjustments = to.Adjustments } == to)
            return keep;
        var (from, into) = (SizeOf(original), to.SizeOf(original));
        var map = MapFrom(original).Inverse().Then(to.MapFrom(original));
        var corners = new[]
        {
            (keep.X, keep.Y),
            (keep.X + keep.Width, keep.Y),
            (keep.X, keep.Y + keep.Height),
            (keep.X + keep.Width, keep.Y + keep.Height),
        }
            .Select(c => map.Of(c.Item1 * from.Width, c.Item2 * from.Height))
            .ToList();
        var (left, right) = (
            Math.Clamp(corners.Min(c => c.X) / into.Width, 0, 1),
            Math.Clamp(corners.Max(c => c.X) / into.Width, 0, 1)
        );
        var (top, bottom) = (
            Math.Clamp(corners.Min(c => c.Y) / into.Height, 0, 1),
            Math.Clamp(corners.Max(c => c.Y) / into.Height, 0, 1)
        );
        return right - left < MinWindow || bottom - top < MinWindow
            ? null
            : new FocalRegion(left, top, right - left, bottom - top);
    }

    /// <summary>
    /// Scale of the largest frame of the same shape inside the turned picture: 1/(cos φ + max(w/h, h/w)·sin φ).
    /// </summary>
    private double ShareLeft(double w, double h)
    {
        var angle = Math.Abs(StraightenDeg) * Math.PI / 180;
        return 1 / (Math.Cos(angle) + Math.Max(w / h, h / w) * Math.Sin(angle));
    }

    private static double Rounded(double value, int digits) => Math.Round(value, digits) is var r && r == 0 ? 0 : r;

    /// <summary>To a millionth, so that what was turned there and back is the same value again.</summary>
    private static FocalRegion Rounded(FocalRegion b)
    {
        var (x, y) = (Rounded(b.X, 6), Rounded(b.Y, 6));
        return new(
            x,
            y,
            Math.Min(Rounded(b.Width, 6), Rounded(1 - x, 6)),
            Math.Min(Rounded(b.Height, 6), Rounded(1 - y, 6))
        );
    }
}
