namespace Dekoro.Core.Arrangements;

/// <summary>How one picture follows another.</summary>
public enum ChangeKind
{
    /// <summary>Pictures move sideways.</summary>
    Slide,

    /// <summary>Pictures move upwards.</summary>
    Vertical,

    /// <summary>One picture fades into the next.</summary>
    Fade,

    /// <summary>At once.</summary>
    None,
}
