using Dekoro.Core.Arrangements;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;

namespace Dekoro.Publishing.Views;

/// <summary>A slider or carousel.</summary>
public partial class SliderView
{
    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required ArrangementPlan Set { get; set; }

    private Slider Slider => Set.Block.Arrangement.Slider;
    private string Classes =>
        $"set slider fig-{SiteCss.NameOf(Set.Block.Reach)} captions-{SiteCss.NameOf(Slider.Captions)}";
    private Dictionary<string, SlideBlock> Words => Set.Block.Slides.ToDictionary(s => s.FigureId);

    private string WordsClass => Set.WordsSetting == Dekoro.Core.Site.Setting.Band ? "band-words" : "cell-words";
    private string Worded =>
        $"worded words-{SiteCss.NameOf(Slider.Words.Tone)} "
        + $"across-{SiteCss.NameOf(Slider.Words.Across)} down-{SiteCss.NameOf(Slider.Words.Down)}";

    private string Stops => Json(WidthClasses.All.Select(c => Set.Stops[c]));
    private string From => Json(WidthClasses.All.Skip(1).Select(Model.Plan.Layout.Style.Classes.FromPx));

    private string Moves =>
        Json(
            new
            {
                stays = WidthClasses.All.Select(c => Set.Block.Arrangement.StaysOn(c)),
                change = Slider.ChangeMs,
                kind = SiteCss.NameOf(Slider.Change),
                plays = Slider.PlaysItself,
                loops = Slider.Loops,
                steps = SiteCss.NameOf(Slider.Steps),
                arrows = SiteCss.NameOf(Slider.Arrows),
                counts = Slider.Counter,
                start = Slider.StartsWith,
                shuffles = Slider.Shuffles,
                back = Slider.Backwards,
                again = Set.Again,
                inside = WidthClasses.All.Select(Set.StepsStandInside),
            }
        );

    private static string Json<T>(T value) => System.Text.Json.JsonSerializer.Serialize(value);
}
