using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Server.Contracts;

/// <summary>Everything the desk shows of a draft that is not typed by hand.</summary>
/// <param name="Mark">To name with the next draft, so that only what changed is told.</param>
/// <param name="Blocks">All of them, in order.</param>
/// <param name="Figures">Those that are not as in the look before.</param>
/// <param name="Waiting">What of the placement of places without a picture is a person's to choose.</param>
/// <param name="Files">What stands after each link to a file, by the link as it is written.</param>
/// <param name="Grounds">What stands behind words, by band or cell; a picture there is among the figures, by the same
/// id.</param>
public sealed record DraftPreviewResponse(
    string Mark,
    IReadOnlyList<BlockResponse> Blocks,
    IReadOnlyDictionary<string, FigureResponse> Figures,
    IReadOnlyDictionary<string, BackdropResponse> Grounds,
    IReadOnlyDictionary<string, PlacementChoices> Waiting,
    IReadOnlyList<Notice> Notices,
    PerClass<Weight> Weights,
    IReadOnlyDictionary<string, string> Files
);
