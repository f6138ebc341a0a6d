using CsCheck;
using Dekoro.Core.Checks;
using Dekoro.Core.Choices;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;
using static Dekoro.Core.Tests.Planning.Sample;

namespace Dekoro.Core.Tests.Planning;

public sealed class FitTests
{
    private static readonly PageLayout Layout = new(new());

    private static readonly Gen<FigureSize> Sizes = Gen.OneOf(
        Gen.Enum<SizeRole>().Select(r => (FigureSize)new FigureSize.ByRole(r)),
        Gen.Int[40, 4000].Select(px => (FigureSize)new FigureSize.ByPx(px))
    );

    [Fact]
    public void More_px_never_fit_worse_and_a_wider_place_never_fits_better() =>
        Gen.Select(Gen.Int[50, 5000], Gen.Int[50, 5000], Gen.Int[40, 1000], Gen.Int[40, 1000])
            .Sample(
                (a, b, p, q) =>
                {
                    var (small, large, narrow, wide) = (Math.Min(a, b), Math.Max(a, b), Math.Min(p, q), Math.Max(p, q));
                    foreach (var c in WidthClasses.All)
                    {
                        Assert.True(FitOf(large, narrow)[c].Word <= FitOf(small, narrow)[c].Word);
                        Assert.True(FitOf(small, narrow)[c].Word <= FitOf(small, wide)[c].Word);
                    }
                }
            );

    [Fact]
    public void A_cut_as_wide_as_is_said_to_be_sharp_is_sharp_and_one_px_less_is_not() =>
        Gen.Int[40, 1080]
            .Sample(px =>
            {
                foreach (var c in WidthClasses.All)
                {
                    var needed = FitOf(400, px)[c].SharpFromPx;
                    Assert.Equal(FitWord.Sharp, FitOf(needed, px)[c].Word);
                    if (needed > 1)
                        Assert.NotEqual(FitWord.Sharp, FitOf(needed - 1, px)[c].Word);
                }
            });

    [Fact]
    public void The_size_that_is_offered_is_sharp_everywhere_and_the_next_larger_is_not() =>
        Gen.Select(Gen.Int[100, 3000], Sizes)
            .Sample(
                (px, size) =>
                {
                    var picture = Picture(width: px, height: px);
                    var plan = Plan(Page(Figure(size: size)), [picture]);
                    if (Remedy.For(plan.Figures["f1"], plan.Layout)?.Size is not { } offered)
                        return;
                    bool Sharp(SizeRole role) =>
                        WidthClasses.All.All(c =>
                            Plan(Page(Figure(role: role)), [picture]).Figures["f1"].Fits[c]!.Word == FitWord.Sharp
                        );
                    Assert.True(Sharp(offered));
                    Assert.DoesNotContain(Enum.GetValues<SizeRole>().Where(r => r > offered), Sharp);
                },
                iter: 200
            );

    [Fact]
    public void A_remedy_is_named_exactly_where_a_picture_is_not_sharp_everywhere() =>
        Gen.Select(Gen.Int[60, 5000], Gen.Int[60, 5000], Sizes, Gen.OneOfConst(null, "3:2", "1:1", "9:1"))
            .Sample(
                (width, height, size, shape) =>
                {
                    var plan = Plan(Page(Figure(size: size, shape: shape)), [Picture(width: width, height: height)]);
                    var figure = plan.Figures["f1"];
                    var remedy = Remedy.For(figure, plan.Layout);
                    Assert.Equal(WidthClasses.All.Any(c => figure.Fits[c]!.Word != FitWord.Sharp), remedy is not null);
                    if (remedy is not null)
                        Assert.EndsWith(".", remedy.Sentence, StringComparison.Ordinal);
                }
            );

    [Fact]
    public void No_figure_asks_for_a_file_wider_than_its_cut_or_than_any_device_wants() =>
        Gen.Select(Gen.Int[60, 6000], Gen.Int[60, 6000], Sizes)
            .Sample(
                (width, height, size) =>
                {
                    var figure = Plan(Page(Figure(size: size)), [Picture(width: width, height: height)]).Figures["f1"];
                    var most = DeviceProfile.Standard.Devices.Max(d =>
                        figure.Main.Slot.At(d.ViewportCssPx) * d.PixelRatio
                    );
                    Assert.All(figure.Main.Ladder.WidthsPx, w =>
                        Assert.True(w <= figure.Main.Cut.Width && w <= Math.Ceiling(most))
                    );
                }
            );

    [Fact]
    public void Every_place_of_a_site_is_within_its_page_at_every_width() =>
        Gen.Select(Sizes, Gen.Int[320, 2600])
            .Sample(
                (size, viewport) =>
                {
                    var slot = Layout.SlotOf(size).At(viewport);
                    Assert.InRange(slot, 1, Layout.BreaksOut(size) ? viewport : Layout.Column.At(viewport) + 1e-6);
                }
            );

    private static PerClass<Fit> FitOf(int sourcePx, int slotPx)
    {
        var picture = Picture(width: sourcePx, height: sourcePx);
        return FigurePlanner
            .FitsOf(
                picture,
                Cut.Whole(picture.Size),
                Layout.SlotOf(new FigureSize.ByPx(slotPx)),
                [sourcePx],
                Layout.Style
            )
            .Select((_, fit) => fit!);
    }
}
