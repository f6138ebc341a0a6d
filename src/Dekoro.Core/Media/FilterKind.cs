namespace Dekoro.Core.Media;

/// <summary>What a filter asks of a picture.</summary>
public enum FilterKind
{
    /// <summary>In a folder.</summary>
    Folder,

    /// <summary>Of a shape: wide, tall or square.</summary>
    Shape,

    /// <summary>At least so many pixels wide.</summary>
    Wider,

    /// <summary>At least so many pixels high.</summary>
    Taller,

    /// <summary>Shown somewhere.</summary>
    Used,

    /// <summary>Shown nowhere.</summary>
    Unused,

    /// <summary>Without alt text.</summary>
    NoAlt,

    /// <summary>Without a title.</summary>
    NoTitle,

    /// <summary>Not sharp.</summary>
    Soft,

    /// <summary>With another that looks the same.</summary>
    Twin,

    /// <summary>In the trash.</summary>
    Away,

    /// <summary>With words in the credit.</summary>
    Credit,

    /// <summary>With a colour.</summary>
    Colour,

    /// <summary>Brought by a person.</summary>
    By,

    /// <summary>Brought on a day or later.</summary>
    Since,

    /// <summary>Brought on a day or before.</summary>
    Until,

    /// <summary>Of a type of file.</summary>
    Type,
}
