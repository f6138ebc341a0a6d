namespace Dekoro.Core.Choices;

/// <summary>Where something stands across its room.</summary>
public enum HorizontalAlign
{
    /// <summary>At the left edge.</summary>
    Left,

    /// <summary>In the middle.</summary>
    Centre,

    /// <summary>At the right edge.</summary>
    Right,
}
