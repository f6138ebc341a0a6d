using System.Text.Json.Serialization;

namespace Dekoro.Core.Delivery;

/// <summary>Why a picture is not sharp in a place.</summary>
public enum FitReason
{
    /// <summary>Nothing is in the way.</summary>
    [JsonStringEnumMemberName("none")]
    None,

    /// <summary>The file has too few px for the place, however it is cut.</summary>
    [JsonStringEnumMemberName("fileTooSmall")]
    FileTooSmall,

    /// <summary>The file would do, but the cut takes too small a part of it.</summary>
    [JsonStringEnumMemberName("cutTooTight")]
    CutTooTight,

    /// <summary>There are px enough, but the picture is so blurred that they show too little.</summary>
    [JsonStringEnumMemberName("blurred")]
    Blurred,
}
