namespace Dekoro.Application.Drafts;

/// <summary>What the request that is worked for says of who sends it.</summary>
public interface INameOfRequest
{
    /// <summary>Empty where it says nothing; null where nothing is asked by a request.</summary>
    string? Name { get; }
}
