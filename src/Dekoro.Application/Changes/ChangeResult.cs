namespace Dekoro.Application.Changes;

/// <summary>What came of a change that a person asked for. Of all but the first nothing was changed.</summary>
/// <typeparam name="T">What was changed, as it is then.</typeparam>
public abstract record ChangeResult<T>
{
    private ChangeResult() { }

    /// <summary>It is done.</summary>
    public sealed record Done(T Now) : ChangeResult<T>;

    /// <summary>What was to be changed is not there.</summary>
    public sealed record NotThere(Thing What) : ChangeResult<T>;

    /// <summary>A value cannot be.</summary>
    /// <param name="Field">Whose value; null where it is not one alone.</param>
    public sealed record Refused(string? Field, string Sentence) : ChangeResult<T>;

    /// <summary>It cannot be as things stand.</summary>
    public sealed record Conflict(string Sentence) : ChangeResult<T>;

    /// <summary>Somebody else was faster: what both did is to be shown.</summary>
    /// <param name="Now">As the other left it.</param>
    public sealed record Stale(string Sentence, T Now) : ChangeResult<T>;

    /// <summary>The pixels of a picture do not decode.</summary>
    public sealed record Undecodable(string Sentence) : ChangeResult<T>;
}
