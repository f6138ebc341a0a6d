namespace Dekoro.Application.Changes;

/// <summary>What a person asks to change.</summary>
public enum Thing
{
    /// <summary>A page or post.</summary>
    Page,

    /// <summary>A picture of the library.</summary>
    Picture,

    /// <summary>A version of a picture.</summary>
    Version,

    /// <summary>A gallery, slider or carousel.</summary>
    Arrangement,

    /// <summary>What stands at the top of pages on some days.</summary>
    Banner,

    /// <summary>How a page, an arrangement or a banner stood at a time.</summary>
    State,

    /// <summary>A file of the library that is no picture.</summary>
    File,

    /// <summary>What was read elsewhere and is not kept yet.</summary>
    Proposal,
}
