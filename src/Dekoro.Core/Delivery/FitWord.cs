namespace Dekoro.Core.Delivery;

/// <summary>How a picture will look.</summary>
public enum FitWord
{
    /// <summary>As sharp as the screen.</summary>
    Sharp,

    /// <summary>A little soft.</summary>
    Soft,

    /// <summary>Its pixels can be seen.</summary>
    Coarse,
}
