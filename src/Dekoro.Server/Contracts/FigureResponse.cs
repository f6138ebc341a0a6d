using System.Collections.Immutable;
using Dekoro.Core.Checks;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Responsive;

namespace Dekoro.Server.Contracts;

/// <summary>A placed picture as the plan has it.</summary>
/// <param name="Picture">Names its proofs: the id with the version in use.</param>
/// <param name="Fits">Null where it is hidden.</param>
/// <param name="On">Null where it is hidden; elsewhere what stands there, the same on all classes as a rule.</param>
/// <param name="Choices">What of its placement is a person's to choose at the size it has.</param>
/// <param name="ChoicesOn">The same on each class of screen, where the figure may have another size.</param>
/// <param name="SameSizes">Sizes that come out as the one it has on each class of screen, this one among them.</param>
/// <param name="Loss">What the cut takes from the keep area, in words; empty for nothing.</param>
/// <param name="Slot">Its width at every viewport.</param>
/// <param name="Files">How many files will be made for it.</param>
public sealed record FigureResponse(
    string Asset,
    string Picture,
    string Title,
    int SourceWidth,
    int SourceHeight,
    Cut Cut,
    string Loss,
    PerClass<FitResponse?> Fits,
    Remedy? Remedy,
    PerClass<bool> Beside,
    PlacementChoices Choices,
    PerClass<PlacementChoices> ChoicesOn,
    PerClass<ImmutableArray<SizeRole>> SameSizes,
    string Alt,
    string Caption,
    IReadOnlyList<Segment> Slot,
    IReadOnlyList<int> WidthsPx,
    int Files,
    PerClass<CutResponse?> On
);
