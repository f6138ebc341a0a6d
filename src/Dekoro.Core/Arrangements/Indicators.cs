namespace Dekoro.Core.Arrangements;

/// <summary>What leads to each stop: a dot, or its picture, small.</summary>
public enum Indicators
{
    /// <summary>Not there.</summary>
    None,

    /// <summary>A dot for each step.</summary>
    Dots,

    /// <summary>A small picture for each step.</summary>
    Pictures,
}
