using CsCheck;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using static Dekoro.Core.Tests.Planning.Sample;

namespace Dekoro.Core.Tests.Planning;

public sealed class TrialPlacementTests
{
    private static readonly PageLayout Layout = new(new());

    [Fact]
    public void What_is_seen_through_a_place_is_what_would_stand_there() =>
        Gen.Select(
                Gen.Enum<SizeRole>(),
                Gen.OneOfConst(null, "3:2", "16:9", "1:1", "4:5"),
                Gen.Int[100, 6000],
                Gen.Int[100, 6000]
            )
            .Sample(
                (role, shape, width, height) =>
                {
                    var picture = Picture(width: width, height: height, keep: new FocalRegion(0.3, 0.2, 0.4, 0.5));
                    var placed = Plan(Page(Figure(role: role, shape: shape)), [picture]).Figures["f1"];
                    var seen = TrialPlacement.Of(
                        picture,
                        Layout.SlotOf(new FigureSize.ByRole(role)),
                        placed.Block.Cut,
                        Layout
                    );
                    Assert.Equal((placed.Main.Cut, placed.Main.Loss), (seen.Cut, seen.Loss));
                    Assert.Equal(
                        placed.Fits.Select((_, f) => (f!.Word, f.SlotCssPx, f.Density)),
                        seen.Fits.Select((_, f) => (f!.Word, f.SlotCssPx, f.Density))
                    );
                }
            );

    [Fact]
    public void Sharp_ones_come_first_then_whole_keep_areas_then_the_least_cut_off()
    {
        var edge = new FigureSize.ByRole(SizeRole.Edge);
        AspectRatio.TryParse("16:9", out var shape);
        string[] Order(params Dekoro.Core.Media.PictureFacts[] pictures) =>
            [
                .. TrialPlacement
                    .BestFirst(pictures.Select(p => TrialPlacement.Of(p, Layout.SlotOf(edge), new(shape), Layout)))
                    .Select(s => s.Picture.Id),
            ];
        Assert.Equal(
            ["fits", "tall", "loses", "small"],
            Order(
                Picture("small", 800, 450),
                Picture("loses", 4000, 4000, keep: new FocalRegion(0.1, 0, 0.8, 1)),
                Picture("tall", 4000, 5000),
                Picture("fits", 4000, 2250)
            )
        );
    }
}
