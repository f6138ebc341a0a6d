using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Publishing.Views;

/// <summary>What lies behind the words of a band or cell.</summary>
public partial class GroundView
{
    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required BackdropPlan Ground { get; set; }

    /// <summary>Classes and custom properties of the piece that stands over the ground.</summary>
    internal static string ClassesOf(BackdropPlan ground, HorizontalAlign across, VerticalAlign down) =>
        $"over {(ground.Block.Backdrop.Tone == WordsTone.Light ? "words-light" : "words-dark")} "
        + $"across-{across.ToString().ToLowerInvariant()} down-{down.ToString().ToLowerInvariant()}";

    internal static string StyleOf(BackdropPlan plan, PerClass<int> leastHeightPx)
    {
        var (ground, parts) = (plan.Block.Backdrop, new List<string>());
        if (ground.Colour is { } colour)
            parts.Add($"--behind:{colour}");
        if (WidthClasses.All.Any(c => ground.TintStrength[c] > 0))
            parts.Add($"--tint:{ground.Tint}");
        foreach (var c in WidthClasses.All)
        {
            var name = SiteCss.Name(c);
            if (ground.TintStrength[c] > 0)
                parts.Add(
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"--tint-{name}:{(double)ground.TintStrength[c] / Readability.Steps:0.######}"
                    )
                );
            if (plan.On[c].Position is { } position)
                parts.Add($"--at-{name}:{position}");
        }
        return string.Join(';', parts.Concat(LeastHeights(leastHeightPx)));
    }

    internal static IEnumerable<string> LeastHeights(PerClass<int> px) =>
        WidthClasses
            .All.Where(c => px[c] > 0)
            .Select(c => string.Create(CultureInfo.InvariantCulture, $"--least-{SiteCss.Name(c)}:{px[c]}px"));

    private static string At(Follower follower) =>
        string.Join(
            ';',
            WidthClasses
                .All.Where(c => follower.Positions[c] is not null)
                .Select(c => $"--at-{SiteCss.Name(c)}:{follower.Positions[c]}")
        );

    /// <summary>How long each stands, the first of all too, and how one becomes the other.</summary>
    private string Moves =>
        System.Text.Json.JsonSerializer.Serialize(
            new
            {
                stays = Ground.Followers.Select(f => f.StayMs).Prepend(Moving.StayMs),
                change = Moving.ChangeMs,
                loops = Moving.Loops,
            }
        );

    private Slider Moving => ((ResolvedBand)Ground.Block).Set.Slider;

    private string Tile(FigurePlan behind)
    {
        var (width, height) = Placed.TilePx(behind.Main.Picture);
        return string.Create(
            CultureInfo.InvariantCulture,
            $"background-image:url('{Model.Files.AddressOf(Model.Files.Offered(behind.Main)[^1][^1], Model.Root)}');"
                + $"background-size:{width:0.##}px {height:0.##}px"
        );
    }
}
