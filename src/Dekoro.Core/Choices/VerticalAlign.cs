namespace Dekoro.Core.Choices;

/// <summary>Where words stand in a band that is higher than they need.</summary>
public enum VerticalAlign
{
    /// <summary>At the upper edge.</summary>
    Top,

    /// <summary>In the middle.</summary>
    Middle,

    /// <summary>At the lower edge.</summary>
    Bottom,
}
