namespace Dekoro.Core.Arrangements;

/// <summary>A gallery shows all of a set; a slider one at a time; a carousel several in view, moving.</summary>
public enum ArrangementKind
{
    /// <summary>All pictures at once.</summary>
    Gallery,

    /// <summary>One picture at a time.</summary>
    Slider,

    /// <summary>Several pictures at a time, in a row that moves.</summary>
    Carousel,
}
