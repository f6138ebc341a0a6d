namespace Dekoro.Core.Planning;

/// <summary>When a browser fetches a picture: first of all, at once, or on scrolling near.</summary>
public enum Loading
{
    /// <summary>Before anything else: what is seen first.</summary>
    First,

    /// <summary>With the page.</summary>
    AtOnce,

    /// <summary>When it is nearly in view.</summary>
    Later,
}
