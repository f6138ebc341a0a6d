using Dekoro.Core.Colour;

namespace Dekoro.Server.Contracts;

/// <param name="HeightCssPx">At the class's reference width.</param>
/// <param name="Contrast">Of the words that are worst off; null where there are none, or the picture is not
/// measured.</param>
public sealed record BackdropOnClassResponse(double HeightCssPx, Contrast? Contrast);
