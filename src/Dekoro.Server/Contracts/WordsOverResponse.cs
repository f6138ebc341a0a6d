using Dekoro.Core.Colour;
using Dekoro.Core.Responsive;

namespace Dekoro.Server.Contracts;

/// <param name="Contrast">Of the worst on each class of screen; null where words stand below.</param>
/// <param name="Below">Where words stand below their slides, and why; null where none do.</param>
/// <param name="Mend">What makes all readable; null where they are, or nothing does.</param>
public sealed record WordsOverResponse(PerClass<Contrast?> Contrast, string? Below, BackdropRemedyResponse? Mend);
