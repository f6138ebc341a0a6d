namespace Dekoro.Application.Pictures;

/// <summary>A picture of the library could not be made into the files that its places need.</summary>
/// <param name="title">By which a person finds it.</param>
/// <param name="inner">Why.</param>
public sealed class NotMadeException(string title, Exception inner) : Exception(inner.Message, inner)
{
    /// <summary>By which a person finds it.</summary>
    public string Title => title;
}
