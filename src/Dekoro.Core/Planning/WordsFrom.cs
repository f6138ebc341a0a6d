namespace Dekoro.Core.Planning;

/// <summary>
/// Whose words they are: said in the arrangement, kept with the picture, or missing; or the picture says nothing on
/// purpose.
/// </summary>
public enum WordsFrom
{
    /// <summary>This place alone.</summary>
    Own,

    /// <summary>The library.</summary>
    Library,

    /// <summary>They are wanted and nowhere.</summary>
    Missing,

    /// <summary>None are wanted.</summary>
    Nothing,
}
