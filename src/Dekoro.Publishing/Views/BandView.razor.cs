using Dekoro.Core.Content;
using Dekoro.Core.Planning;

namespace Dekoro.Publishing.Views;

/// <summary>A band with what stands in it.</summary>
public partial class BandView
{
    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required BandBlock Band { get; set; }

    private BackdropPlan Plan => Model.Plan.Grounds[Band.Id];
}
