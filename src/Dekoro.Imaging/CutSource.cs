using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;

namespace Dekoro.Imaging;

/// <summary>What of an original is made into files.</summary>
/// <param name="Path">The original as kept.</param>
/// <param name="Size">Of the original, orientation applied.</param>
/// <param name="Edits">What is done to it; none to an animation.</param>
/// <param name="Cut">Of the edited picture.</param>
/// <param name="IsAnimated">All frames are kept.</param>
public sealed record CutSource(string Path, PixelSize Size, Edits Edits, Cut Cut, bool IsAnimated);
