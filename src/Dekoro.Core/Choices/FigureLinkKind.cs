namespace Dekoro.Core.Choices;

/// <summary>What a press on a picture leads to.</summary>
public enum FigureLinkKind
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>Its large file.</summary>
    LargeFile,

    /// <summary>A page of the site.</summary>
    Page,

    /// <summary>An address.</summary>
    Address,
}
