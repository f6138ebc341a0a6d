using System.Collections.Frozen;

namespace Dekoro.Core.Typography;

/// <summary>How wide the letters of one cut of a face run, and how high its lines are; all in em.</summary>
public sealed class FaceMetrics
{
    private const int Direct = 0x180;

    private readonly double[] _advances = new double[Direct];
    private readonly FrozenDictionary<char, double> _others;
    private readonly FrozenDictionary<(char, char), double> _pairs;
    private readonly double _missing;

    /// <param name="advances">By letter; a letter that is not there runs as wide as an "n".</param>
    /// <param name="pairs">What kerning adds between two letters.</param>
    public FaceMetrics(
        double ascentEm,
        double descentEm,
        IReadOnlyDictionary<char, double> advances,
        IReadOnlyDictionary<(char, char), double> pairs
    )
    {
        (AscentEm, DescentEm) = (ascentEm, descentEm);
        _missing = advances.GetValueOrDefault('n', 0.5);
        for (var c = 0; c < Direct; c++)
            _advances[c] = advances.GetValueOrDefault((char)c, _missing);
        _others = advances.Where(a => a.Key >= Direct).ToFrozenDictionary();
        _pairs = pairs.ToFrozenDictionary();
    }

    /// <summary>Every letter half an em wide: for a site whose faces are not measured.</summary>
    public static FaceMetrics Plain { get; } =
        new(
            0.75,
            0.25,
            Enumerable.Range(0, Direct).ToDictionary(c => (char)c, _ => 0.5),
            new Dictionary<(char, char), double>()
        );

    /// <summary>Of the content area of a line (CSS Inline 3, 3.1), above and below the baseline.</summary>
    public double AscentEm { get; }

    /// <summary>Below the base line, by the size.</summary>
    public double DescentEm { get; }

    /// <summary>Width of a text in one line, by the size.</summary>
    public double WidthEm(ReadOnlySpan<char> text)
    {
        var sum = 0.0;
        for (var i = 0; i < text.Length; i++)
        {
            var c = text[i];
            sum += c < Direct ? _advances[c] : _others.GetValueOrDefault(c, _missing);
            if (i > 0)
                sum += KernEm(text[i - 1], c);
        }
        return sum;
    }

    /// <summary>What kerning adds between two letters.</summary>
    public double KernEm(char first, char second) => _pairs.GetValueOrDefault((first, second));
}
