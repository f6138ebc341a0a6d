using Dekoro.Storage;

namespace Dekoro.Application.Pictures;

/// <summary>Two pictures that are one.</summary>
/// <param name="Places">Places of the first that show the second.</param>
/// <param name="Both">As they are in the library.</param>
public sealed record MergedPictures(int Places, IReadOnlyList<Asset> Both);
