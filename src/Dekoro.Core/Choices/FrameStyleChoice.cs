namespace Dekoro.Core.Choices;

/// <summary>The look a figure has: one of the site's, or one of its own, or none.</summary>
/// <param name="NamedId">One that the site has no more is none.</param>
public sealed record FrameStyleChoice(string? NamedId, FrameStyle? Own)
{
    /// <summary>Neither a shared look nor one of its own.</summary>
    public static FrameStyleChoice None { get; } = new(null, null);
}
