using System.Collections.Immutable;

namespace Dekoro.Core.Choices;

/// <summary>A site's looks, or what keeps a change to them from being made.</summary>
public sealed record NamedFrameStyles(ImmutableArray<NamedFrameStyle>? Looks, string? Field, string? Sentence);
