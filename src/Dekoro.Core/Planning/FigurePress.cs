using Dekoro.Core.Choices;
using Dekoro.Core.Links;

namespace Dekoro.Core.Planning;

/// <summary>What a press on a picture does.</summary>
/// <param name="Reading">Of the link it was given; null where it was given none.</param>
/// <param name="LargeFile">The file opened, where that is set.</param>
/// <param name="Instead">What the larger view shows in the picture's stead; null for the large file, and where what
/// was chosen cannot be shown.</param>
public sealed record FigurePress(LinkReading? Reading, PlannedFile? LargeFile, LightboxContent? Instead);
