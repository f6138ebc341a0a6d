using CsCheck;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;
using static Dekoro.Core.Tests.Planning.Sample;

namespace Dekoro.Core.Tests.Planning;

public sealed class FrameStyleTests
{
    private static readonly FrameStyle Print = new(LineStyle.Solid, 3, Srgb.Black, default, 8, Srgb.White, null);

    [Fact]
    public void A_border_and_padding_take_their_room_from_the_picture_and_a_shadow_and_corners_do_not()
    {
        Assert.Equal(22, Print.FramePx);
        Assert.Equal(0, (FrameStyle.None with { LinePx = 9, Round = new(4, 4, 4, 4), Shadow = new(2, 8, 30) }).FramePx);
        var figure = Plan(Page(Figure() with { FrameStyle = new(null, Print) }), [Picture()]).Figures["f1"];
        Assert.Equal((358 - 22, 720 - 22), (figure.Main.Slot.At(390), figure.Main.Slot.At(1280)));
        Assert.Equal(698, figure.Fits.Desktop!.SlotCssPx);
    }

    [Fact]
    public void A_named_look_changes_all_that_have_it_and_one_that_is_gone_is_none()
    {
        var block = Figure() with { FrameStyle = new("print", null) };
        double At(SiteStyle style) =>
            new PageLayout(style) is var layout
                ? layout.Standing(new LaidPage(new Document([block]), _ => null, layout)).Single().Box.At(1280)
                : 0;
        Assert.Equal(720, At(new SiteStyle()));
        Assert.Equal(698, At(new SiteStyle { FrameStyles = [new("print", "Print", Print)] }));
        Assert.Equal(
            704,
            At(new SiteStyle { FrameStyles = [new("print", "Print", Print with { Line = LineStyle.None })] })
        );
    }

    [Fact]
    public void In_a_set_padding_gives_way_so_that_three_quarters_of_a_small_pictures_shorter_side_are_left() =>
        Gen.Select(Gen.Int[0, 20], Gen.Int[0, 40], Gen.Double[0.1, 10], Gen.Double[1, 2000])
            .Sample(
                (line, padding, shape, px) =>
                {
                    var picture = SlotWidth.Of(px).Framed(line, padding, FrameStyle.MostPaddingOf(shape)).At(1280);
                    var shorter = px * Math.Min(1, 1 / shape);
                    Assert.Equal(Math.Max(1, px - 2 * line - 2 * Math.Min(padding, 0.12 * shorter)), picture, 1e-6);
                    Assert.True(shorter - (px - picture) >= 0.75 * shorter - 2 * line || picture == 1);
                },
                iter: 2000
            );

    [Fact]
    public void Whatever_stands_round_a_picture_some_of_it_is_left_at_every_width() =>
        Gen.Select(Gen.Int[0, 20], Gen.Int[0, 40], Gen.Int[40, 4000], Gen.Int[320, 2560])
            .Sample(
                (line, padding, px, viewport) =>
                {
                    var figure = Figure(size: new FigureSize.ByPx(px)) with
                    {
                        FrameStyle = new(null, Print with { LinePx = line, PaddingPx = padding }),
                    };
                    var slot = Plan(Page(figure), [Picture()]).Figures["f1"].Main.Slot;
                    Assert.InRange(slot.At(viewport), 1, Math.Max(1, Math.Min(px, viewport) - 2 * (line + padding)));
                }
            );

    [Fact]
    public void Values_outside_their_bounds_are_refused_with_what_is_allowed()
    {
        FrameStyleValues[] bad =
        [
            new(LinePx: 21),
            new(PaddingPx: -1),
            new(RoundPx: [1, 2, 3]),
            new(Shadow: new(0, 0, 101)),
            new(LineColour: "red"),
            new(Background: "#12345"),
        ];
        Assert.All(bad, values => Assert.EndsWith(".", values.Read().Sentence, StringComparison.Ordinal));
        Assert.Equal(Print, FrameStyleValues.Of(Print).Read().FrameStyle);
    }
}
