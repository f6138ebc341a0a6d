using Dekoro.Core.Twins;

namespace Dekoro.Server.Contracts;

/// <summary>Two pictures that look the same, to be told apart.</summary>
/// <param name="Scale">How wide the other is drawn beside the first, so that the same stands at the same scale.</param>
/// <param name="Otherwise">What the other has otherwise.</param>
public sealed record TwinResponse(FileItem File, FileItem Other, double Scale, IReadOnlyList<TwinDifference> Otherwise);
