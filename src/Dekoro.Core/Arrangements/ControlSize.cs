namespace Dekoro.Core.Arrangements;

/// <summary>Size of buttons and steps.</summary>
public enum ControlSize
{
    /// <summary>The least that a finger still meets (WCAG 2.2, SC 2.5.8).</summary>
    Small,

    /// <summary>The usual one.</summary>
    Usual,

    /// <summary>The largest.</summary>
    Large,
}
