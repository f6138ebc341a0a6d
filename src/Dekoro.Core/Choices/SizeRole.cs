namespace Dekoro.Core.Choices;

/// <summary>A size by its part in the page; widths follow from the site's style.</summary>
public enum SizeRole
{
    /// <summary>A third of the column.</summary>
    Third,

    /// <summary>Half of the column.</summary>
    Half,

    /// <summary>The column of text.</summary>
    Column,

    /// <summary>Wider than the column.</summary>
    Wide,

    /// <summary>From edge to edge of the screen.</summary>
    Edge,
}
