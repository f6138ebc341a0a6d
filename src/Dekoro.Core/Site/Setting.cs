namespace Dekoro.Core.Site;

/// <summary>Where words stand: headings are set for the room they have.</summary>
public enum Setting
{
    /// <summary>In the column of text.</summary>
    Column,

    /// <summary>In a cell of columns.</summary>
    Cell,

    /// <summary>In a band.</summary>
    Band,
}
