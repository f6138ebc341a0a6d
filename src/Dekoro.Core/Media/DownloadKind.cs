namespace Dekoro.Core.Media;

/// <summary>The kinds of file that are kept and linked but are no pictures.</summary>
public enum DownloadKind
{
    /// <summary>A PDF.</summary>
    Pdf,

    /// <summary>A sound.</summary>
    Sound,

    /// <summary>A film.</summary>
    Video,

    /// <summary>A packed archive.</summary>
    Archive,

    /// <summary>A text, table or show of an office.</summary>
    Office,

    /// <summary>Plain text.</summary>
    Text,
}
