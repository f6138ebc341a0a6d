using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;

namespace Dekoro.Core.Content;

/// <summary>An arrangement standing on a page, by its id: what is in it is its own, and is looked up.</summary>
/// <param name="Reach">The column, wide, or edge to edge.</param>
public record ArrangementBlock(string Id, string ArrangementId, SizeRole Reach) : Block(Id)
{
    /// <inheritdoc/>
    public override string KindInWords => "an arrangement";

    /// <summary>The id of an item's figure: the same wherever one asks.</summary>
    public string FigureIdOf(ArrangementItem item) => Id + "-" + item.Id;

    /// <summary>The id of the small picture that is the step to a figure.</summary>
    public static string StepIdOf(string figureId) => figureId + "-step";
}
