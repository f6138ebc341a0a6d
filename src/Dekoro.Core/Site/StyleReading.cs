using System.Collections.Immutable;
using Dekoro.Core.Choices;

namespace Dekoro.Core.Site;

/// <summary>A style, or everything that keeps the values from being one.</summary>
public sealed record StyleReading(SiteStyle? Style, ImmutableArray<FieldError> Errors);
