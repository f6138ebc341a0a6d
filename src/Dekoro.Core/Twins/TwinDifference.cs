namespace Dekoro.Core.Twins;

/// <summary>What one of two pictures that look the same has otherwise than the other.</summary>
public enum TwinDifference
{
    /// <summary>Left and right are exchanged.</summary>
    Mirrored,

    /// <summary>Something at its edges is missing.</summary>
    Cut,

    /// <summary>Its tones lie higher.</summary>
    Lighter,

    /// <summary>Its tones lie lower.</summary>
    Darker,

    /// <summary>Its colours lean another way.</summary>
    Tinted,
}
