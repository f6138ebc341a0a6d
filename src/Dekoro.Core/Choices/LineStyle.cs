namespace Dekoro.Core.Choices;

/// <summary>Of a border, as CSS draws it.</summary>
public enum LineStyle
{
    /// <summary>No line.</summary>
    None,

    /// <summary>One line, as in CSS.</summary>
    Solid,

    /// <summary>Dashes, as in CSS.</summary>
    Dashed,

    /// <summary>Dots, as in CSS.</summary>
    Dotted,

    /// <summary>Two lines, as in CSS.</summary>
    Double,
}
