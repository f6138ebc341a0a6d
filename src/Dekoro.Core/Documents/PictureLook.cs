using System.Collections.Immutable;
using System.Globalization;
using Dekoro.Core.Colour;

namespace Dekoro.Core.Documents;

/// <summary>Of a border, as CSS draws it.</summary>
public enum LineStyle { None, Solid, Dashed, Dotted, Double }

/// <summary>How round the corners are, CSS px.</summary>
public readonly record struct Corners(int TopLeft, int TopRight, int BottomRight, int BottomLeft)
{
    public const int MostPx = 999;
}

/// <summary>Black, below what throws it.</summary>
/// <param name="Percent">How dark, 0 to 100.</param>
public readonly record struct Shadow(int DownPx, int BlurPx, int Percent)
{
    public const int MostPx = 60;
}

/// <summary>What stands round a picture: padding in a colour, a border, round corners, a shadow. All of it stands within the figure's width.</summary>
/// <param name="Background">Shows through the padding, and through a picture that is see-through; null for none.</param>
public sealed record PictureLook(LineStyle Line, int LinePx, Srgb LineColour, Corners Round, int PaddingPx, Srgb? Background, Shadow? Shadow)
{
    public const int MostLinePx = 20, MostPaddingPx = 40;

    public static PictureLook None { get; } = new(LineStyle.None, 0, Srgb.Black, default, 0, null, null);

    /// <summary>What border and padding take from the picture's width, and from its height, CSS px.</summary>
    public int FramePx => 2 * (EdgePx + PaddingPx);

    /// <summary>Of a small picture in a set, padding on one side takes no more than this of its shorter side, so that something of it is left.</summary>
    private const double MostPaddingShare = 0.12;

    /// <returns>The same as a share of the width of a picture of this shape (width over height).</returns>
    public static double MostPaddingOf(double shape) => MostPaddingShare * Math.Min(1, 1 / shape);

    /// <summary>The border on one side, CSS px.</summary>
    public int EdgePx => Line == LineStyle.None ? 0 : LinePx;
}

/// <summary>A look with a name, changed once for all pictures that have it.</summary>
public sealed record NamedLook(string Id, string Name, PictureLook Look)
{
    private const int MostName = 60, MostId = 40;

    /// <summary>The looks with one more, or with one changed; or why not.</summary>
    public static NamedLooks Set(ImmutableArray<NamedLook> looks, string id, string name, LookValues values)
    {
        name = name.Trim();
        if (id.Length is 0 or > MostId || !id.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_')) return Refused("id", "The id of a look is made of letters and digits.");
        if (name.Length is 0 or > MostName) return Refused("name", $"Give the look a name of at most {MostName} letters.");
        if (looks.Any(l => l.Id != id && l.Name.Equals(name, StringComparison.OrdinalIgnoreCase))) return Refused("name", $"There is a look called {name} already: choose another name.");
        var reading = values.Read();
        if (reading.Look is not { } look) return Refused("look", reading.Sentence!);
        var (at, named) = (looks.Select(l => l.Id).ToList().IndexOf(id), new NamedLook(id, name, look));
        return new(at < 0 ? looks.Add(named) : looks.SetItem(at, named), null, null);

        static NamedLooks Refused(string field, string sentence) => new(null, field, sentence);
    }
}

/// <summary>A site's looks, or what keeps a change to them from being made.</summary>
public sealed record NamedLooks(ImmutableArray<NamedLook>? Looks, string? Field, string? Sentence);

/// <summary>The look a figure has: one of the site's, or one of its own, or none.</summary>
/// <param name="NamedId">One that the site has no more is none.</param>
public sealed record LookChoice(string? NamedId, PictureLook? Own)
{
    public static LookChoice None { get; } = new(null, null);
}

/// <summary>A look, or what keeps the values from being one.</summary>
public sealed record LookReading(PictureLook? Look, string? Sentence);

/// <summary>A look as it is written: colours as #rrggbb, lengths in CSS px.</summary>
/// <param name="RoundPx">Four corners from the top left, clockwise.</param>
public sealed record LookValues(
    LineStyle Line = LineStyle.None, int LinePx = 0, string LineColour = "#000000", IReadOnlyList<int>? RoundPx = null, int PaddingPx = 0, string? Background = null, Shadow? Shadow = null)
{
    public static LookValues Of(PictureLook look) => new(
        look.Line, look.LinePx, look.LineColour.ToString(), [look.Round.TopLeft, look.Round.TopRight, look.Round.BottomRight, look.Round.BottomLeft], look.PaddingPx,
        look.Background?.ToString(), look.Shadow);

    public LookReading Read()
    {
        IReadOnlyList<int> round = RoundPx ?? [0, 0, 0, 0];
        var background = Srgb.Black;
        if (!Enum.IsDefined(Line)) return Refused("A border is none, solid, dashed, dotted or double.");
        if (LinePx is < 0 or > PictureLook.MostLinePx) return Refused(string.Create(CultureInfo.InvariantCulture, $"A border is 0 to {PictureLook.MostLinePx} px wide."));
        if (PaddingPx is < 0 or > PictureLook.MostPaddingPx) return Refused(string.Create(CultureInfo.InvariantCulture, $"Round a picture there are 0 to {PictureLook.MostPaddingPx} px."));
        if (round.Count != 4 || round.Any(r => r is < 0 or > Corners.MostPx)) return Refused(string.Create(CultureInfo.InvariantCulture, $"Corners are four numbers from 0 to {Corners.MostPx} px."));
        if (Shadow is { } s && (s.DownPx is < 0 or > Documents.Shadow.MostPx || s.BlurPx is < 0 or > Documents.Shadow.MostPx || s.Percent is < 0 or > 100))
            return Refused(string.Create(CultureInfo.InvariantCulture, $"A shadow falls 0 to {Documents.Shadow.MostPx} px deep, is as soft, and 0 to 100 % dark."));
        if (!Srgb.TryParse(LineColour, out var line) || (Background is not null && !Srgb.TryParse(Background, out background))) return Refused("A colour is written #rrggbb.");
        return new(new(Line, LinePx, line, new(round[0], round[1], round[2], round[3]), PaddingPx, Background is null ? null : background, Shadow), null);

        static LookReading Refused(string sentence) => new(null, sentence);
    }
}
