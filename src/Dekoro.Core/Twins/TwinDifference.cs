using System.Text.Json.Serialization;

namespace Dekoro.Core.Twins;

/// <summary>What one of two pictures that look the same has otherwise than the other.</summary>
public enum TwinDifference
{
    /// <summary>Left and right are exchanged.</summary>
    [JsonStringEnumMemberName("mirrored")]
    Mirrored,

    /// <summary>Something at its edges is missing.</summary>
    [JsonStringEnumMemberName("cut")]
    Cut,

    /// <summary>Its tones lie higher.</summary>
    [JsonStringEnumMemberName("lighter")]
    Lighter,

    /// <summary>Its tones lie lower.</summary>
    [JsonStringEnumMemberName("darker")]
    Darker,

    /// <summary>Its colours lean another way.</summary>
    [JsonStringEnumMemberName("tinted")]
    Tinted,
}
