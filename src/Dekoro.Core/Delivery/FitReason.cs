namespace Dekoro.Core.Delivery;

/// <summary>Why a picture is not sharp in a place.</summary>
public enum FitReason
{
    /// <summary>Nothing is in the way.</summary>
    None,

    /// <summary>The file has too few px for the place, however it is cut.</summary>
    FileTooSmall,

    /// <summary>The file would do, but the cut takes too small a part of it.</summary>
    CutTooTight,

    /// <summary>There are px enough, but the picture itself is blurred.</summary>
    Blurred,
}
