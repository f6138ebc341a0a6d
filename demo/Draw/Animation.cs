using System.Globalization;
using System.Text;
using NetVips;

namespace Dekoro.Demo.Draw;

/// <summary>A kite whose tail moves in the wind: twelve frames, one second, looping.</summary>
internal static class Animation
{
    private const int Frames = 12,
        Width = 600,
        Height = 400;

    public static void Draw(string path)
    {
        var frames = Enumerable
            .Range(0, Frames)
            .Select(i =>
                Image
                    .SvgloadBuffer(Encoding.UTF8.GetBytes(Frame(2 * Math.PI * i / Frames)))
                    .Flatten()
                    .Copy(interpretation: Enums.Interpretation.Srgb)
            )
            .ToArray();
        var roll = Image
            .Arrayjoin(frames, across: 1)
            .Mutate(m =>
            {
                m.Set(GValue.GIntType, "page-height", Height);
                m.Set(GValue.ArrayIntType, "delay", Enumerable.Repeat(1000 / Frames, Frames).ToArray());
                m.Set(GValue.GIntType, "loop", 0);
            });
        roll.Gifsave(path, effort: 7);
    }

    private static string Frame(double phase)
    {
        var sway = 8 * Math.Sin(phase);
        var tail = new StringBuilder("M330 210");
        for (var i = 1; i <= 24; i++)
            tail.Append(
                CultureInfo.InvariantCulture,
                $"L{330 + i * 5 + i * 0.9 * Math.Sin(phase + i * 0.45):0.#} "
                    + $"{210 + i * 6.5 + i * 0.6 * Math.Cos(phase + i * 0.45):0.#}"
            );
        return string.Create(
            CultureInfo.InvariantCulture,
            $"""
            <svg xmlns="http://www.w3.org/2000/svg" width="{Width}" height="{Height}" viewBox="0 0 {Width} {Height}">
            <rect width="600" height="400" fill="#9fd0e6"/>
            <path d="M0 330Q160 300 320 335T600 320V400H0Z" fill="#e2cd9c"/>
            <ellipse cx="120" cy="90" rx="80" ry="16" fill="#fff" opacity=".8"/>
            <ellipse cx="470" cy="60" rx="100" ry="14" fill="#fff" opacity=".7"/>
            <g transform="rotate({sway:0.#} 300 130)"><path d="M290 40L370 120L330 210L240 110Z" fill="#d8432f"/>
            <path d="M290 40L330 210L240 110Z" fill="#f3b93b"/>
            <path d="M290 40L330 210M240 110L370 120" stroke="#1d2530" stroke-width="3"/></g>
            <path d="{tail}" fill="none" stroke="#1d6e86" stroke-width="5" stroke-linecap="round"/>
            <path d="M300 120Q180 260 60 360" fill="none" stroke="#fff" stroke-width="2"/></svg>
            """
        );
    }
}
