using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Planning;

/// <summary>One file that a page asks for. Equal values are the same file.</summary>
/// <param name="WidthPx">Of the output; 0 for a file given out unchanged.</param>
public sealed record PlannedFile(string AssetId, Cut Cut, int WidthPx, OutputFormat Format)
{
    /// <summary>Whether the file is handed on as it came.</summary>
    public bool IsUnchanged => WidthPx == 0;
}
