using System.Collections.Immutable;

namespace Dekoro.Core.Choices;

/// <summary>Holds values that were typed against what is allowed, and remembers each that is not.</summary>
public sealed class FieldRules
{
    private readonly ImmutableArray<FieldError>.Builder _errors = ImmutableArray.CreateBuilder<FieldError>();

    /// <summary>All that was refused, in the order in which it was met.</summary>
    public ImmutableArray<FieldError> Errors => _errors.ToImmutable();

    /// <summary>Whether nothing was refused.</summary>
    public bool AllHold => _errors.Count == 0;

    /// <returns>Whether it holds.</returns>
    public bool Holds(bool holds, string field, string sentence)
    {
        if (!holds)
            _errors.Add(new(field, sentence));
        return holds;
    }

    /// <summary>Both ends are allowed; what is no number is not.</summary>
    public bool Within(string field, double value, double min, double max, string sentence) =>
        Holds(value >= min && value <= max, field, sentence);
}
