using Dekoro.Core.Layout;
using Dekoro.Core.Planning;

namespace Dekoro.Publishing.Views;

/// <summary>A place that waits for its picture.</summary>
public partial class StandInView
{
    [Parameter, EditorRequired]
    public required EmptyPlace Place { get; set; }

    [Parameter, EditorRequired]
    public required PageLayout Layout { get; set; }

    private string Shape =>
        string.Create(CultureInfo.InvariantCulture, $"aspect-ratio:{Place.WantsWidthPx}/{Place.WantsHeightPx}");
    private string Wants =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"A picture of {Place.WantsWidthPx} × {Place.WantsHeightPx} px or more"
        );
}
