using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>A document, or everything that keeps the JSON from being one.</summary>
public sealed record DocumentReading(Document? Document, ImmutableArray<DocumentError> Errors);
