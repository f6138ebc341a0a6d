namespace Dekoro.Core.Responsive;

/// <summary>The three kinds of screen, by viewport width.</summary>
public enum WidthClass
{
    /// <summary>Narrow screens.</summary>
    Phone,

    /// <summary>Middling screens.</summary>
    Tablet,

    /// <summary>Wide screens.</summary>
    Desktop,
}
