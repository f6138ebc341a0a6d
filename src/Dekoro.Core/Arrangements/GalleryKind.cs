using System.Text.Json.Serialization;

namespace Dekoro.Core.Arrangements;

/// <summary>
/// How the boxes of a gallery stand: in cells of one shape, in rows of one height, in columns that end level, or at
/// their own size.
/// </summary>
public enum GalleryKind
{
    /// <summary>Cells of one shape in columns.</summary>
    [JsonStringEnumMemberName("grid")]
    Grid,

    /// <summary>Whole pictures in rows of one width, each row with a height of its own.</summary>
    [JsonStringEnumMemberName("rows")]
    Rows,

    /// <summary>Whole pictures in columns of one width, filled evenly.</summary>
    [JsonStringEnumMemberName("level")]
    Level,

    /// <summary>Whole pictures of one height, in rows that end where they end.</summary>
    [JsonStringEnumMemberName("even")]
    Even,
}
