namespace Dekoro.Core.Choices;

/// <summary>Where a caption's words come from.</summary>
public enum CaptionSource
{
    /// <summary>No caption.</summary>
    None,

    /// <summary>The title in the library.</summary>
    Title,

    /// <summary>The caption in the library.</summary>
    Caption,

    /// <summary>The description in the library.</summary>
    Description,

    /// <summary>Words of this place alone.</summary>
    Own,
}
