namespace Dekoro.Core.Arrangements;

/// <summary>Where the links to a gallery's other parts stand.</summary>
public enum PageLinksAt
{
    /// <summary>After the pictures.</summary>
    Below,

    /// <summary>Before the pictures.</summary>
    Above,

    /// <summary>Before and after them.</summary>
    Both,
}
