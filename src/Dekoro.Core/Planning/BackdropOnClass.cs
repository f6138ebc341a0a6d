using Dekoro.Core.Colour;

namespace Dekoro.Core.Planning;

/// <summary>A band or cell on one class of screen, at the class's reference width.</summary>
/// <param name="Position">CSS object-position of the picture behind, steered by its keep area; null where none covers
/// it.</param>
/// <param name="Contrast">Of the words that are worst off; null where there are none, or the picture is not
/// measured.</param>
/// <param name="KeepUnderWords">How much of what has to be seen of the picture behind lies under words, as a share;
/// 0 where nobody said what has to be.</param>
public sealed record BackdropOnClass(double HeightCssPx, string? Position, Contrast? Contrast, double KeepUnderWords);
