namespace Dekoro.Core.Arrangements;

/// <summary>What is shown in a picture's stead.</summary>
public enum InsteadKind
{
    /// <summary>A film of the library.</summary>
    Film,

    /// <summary>A video that another site plays.</summary>
    Hosted,

    /// <summary>A page in a frame.</summary>
    Page,

    /// <summary>Words.</summary>
    Words,
}
