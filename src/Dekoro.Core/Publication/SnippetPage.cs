using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Publication;

/// <summary>
/// An arrangement on a page of its own, that sites elsewhere show in a frame: as wide as the frame, and nothing beside
/// it.
/// </summary>
public static class SnippetPage
{
    private const string BlockId = "set";
    private const int Samples = 40;

    /// <summary>No page that people write has an underscore in its address.</summary>
    public static string PathOf(string arrangementId) => "shown_/" + arrangementId;

    /// <summary>Names the page of an arrangement.</summary>
    public static string IdOf(string arrangementId) => "shown-" + arrangementId;

    /// <summary>Whether a path is that of an arrangement shown elsewhere.</summary>
    public static bool IsPath(string path) => path.StartsWith("shown_/", StringComparison.Ordinal);

    /// <summary>A page with the arrangement alone.</summary>
    public static ResolvedPage PageOf(Arrangement set)
    {
        var alone = new Document([new ResolvedArrangement(BlockId, set, SizeRole.Edge)]);
        return ResolvedPage.Of(IdOf(set.Id), new(set.Name, PathOf(set.Id), "", alone), _ => null) with
        {
            IsBare = true,
        };
    }

    /// <summary>
    /// How high a frame is to be on each class of screen, in the frame's own width: never less than is needed, and no
    /// more where that is affine.
    /// </summary>
    /// <returns>Null where there is nothing to show.</returns>
    public static PerClass<Affine>? HeightsOf(PagePlan plan)
    {
        if (plan.Sets.Values.FirstOrDefault() is not { } set)
            return null;
        var classes = plan.Layout.Style.Classes;
        return new PerClass<int>().Select(
            (c, _) =>
            {
                double narrow = Math.Max(Screens.NarrowestPx, classes.FromPx(c)),
                    wide = c == WidthClass.Desktop ? Screens.WidestPx : classes.FromPx(c + 1) - 1;
                var (low, high) = (set.HeightAt(c, narrow), set.HeightAt(c, wide));
                var a = (high - low) / (wide - narrow);
                // Words break into fewer lines as they get wider, in steps.
                var most = Enumerable
                    .Range(0, Samples + 1)
                    .Select(i => narrow + i * (wide - narrow) / Samples)
                    .Max(w => set.HeightAt(c, w) - a * w);
                return new Affine(a, most);
            }
        );
    }
}
