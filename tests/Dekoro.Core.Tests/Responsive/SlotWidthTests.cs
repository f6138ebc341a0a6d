using CsCheck;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Tests.Responsive;

public sealed class SlotWidthTests
{
    private static readonly WidthClasses Classes = WidthClasses.Standard;

    private static SlotWidth Padded => SlotWidth.Viewport.Inset(new(16, 32, 32), Classes);

    [Fact]
    public void A_capped_padded_column_writes_its_sizes_from_the_widest_down() =>
        Assert.Equal(
            "(min-width: 784px) 720px, (min-width: 700px) calc(100vw - 64px), calc(100vw - 32px)",
            Padded.Cap(720).ToSizes()
        );

    [Theory]
    [InlineData(390, 358)]
    [InlineData(699, 667)]
    [InlineData(700, 636)]
    [InlineData(783, 719)]
    [InlineData(784, 720)]
    [InlineData(2560, 720)]
    public void A_capped_padded_column_is_as_wide_as_CSS_would_make_it(double viewport, double expected) =>
        Assert.Equal(expected, Padded.Cap(720).At(viewport), 9);

    [Fact]
    public void Every_operation_is_the_arithmetic_it_stands_for_at_every_width() =>
        Gen.Select(
                Gen.Double[0, 60],
                Gen.Double[200, 1500],
                Gen.Int[1, 6],
                Gen.Double[0, 40],
                Gen.Double[0.1, 1],
                Gen.Int[320, 2600]
            )
            .Sample(
                (padding, cap, count, gutter, f, viewport) =>
                {
                    var content = SlotWidth.Viewport.Inset(new(padding, padding / 2, 0), Classes);
                    var w = viewport - 2 * new PerClass<double>(padding, padding / 2, 0)[Classes.ClassOf(viewport)];
                    Near(w, content.At(viewport));
                    Near(Math.Min(w, cap), content.Cap(cap).At(viewport));
                    Near(Math.Max(w, cap), content.AtLeast(cap).At(viewport));
                    Near(Math.Max(0, (w - (count - 1) * gutter) / count), content.Share(count, gutter).At(viewport));
                    Near(Math.Max(0, f * (w + gutter) - gutter), content.Part(f, gutter).At(viewport));
                }
            );

    [Fact]
    public void Nested_shares_and_parts_are_composition() =>
        Gen.Select(Gen.Int[1, 4], Gen.Int[1, 4], Gen.Double[0, 30], Gen.Int[700, 2600])
            .Sample(
                (outer, inner, gutter, viewport) =>
                {
                    var cell = (viewport - (outer - 1) * gutter) / outer;
                    Near(
                        Math.Max(0, (cell - (inner - 1) * gutter) / inner),
                        SlotWidth.Viewport.Share(outer, gutter).Share(inner, gutter).At(viewport)
                    );
                }
            );

    [Fact]
    public void Neighbours_that_are_equal_are_one_piece() =>
        Assert.Single(
            SlotWidth.PerClass(new(SlotWidth.Viewport, SlotWidth.Viewport, SlotWidth.Viewport), Classes).Segments
        );

    [Fact]
    public void A_slot_set_per_class_jumps_exactly_where_the_classes_begin()
    {
        var slot = SlotWidth.PerClass(
            new(SlotWidth.Viewport, SlotWidth.Viewport.Cap(500), SlotWidth.Viewport.Cap(300)),
            Classes
        );
        Assert.Equal([700, 1184], slot.Segments.Skip(1).Select(s => s.FromPx));
        Assert.Equal([699, 500, 500, 300], new double[] { 699, 700, 1183, 1184 }.Select(slot.At));
    }

    [Fact]
    public void Classes_that_cross_or_are_looked_at_elsewhere_cannot_be()
    {
        Assert.Throws<ArgumentException>(() => new WidthClasses(1200, 900, new(390, 820, 1280)));
        Assert.Throws<ArgumentException>(() => new WidthClasses(700, 1184, new(390, 820, 1100)));
    }

    [Fact]
    public void The_standard_profile_has_seventeen_rows_in_every_class()
    {
        Assert.Equal(17, DeviceProfile.Standard.Devices.Length);
        Assert.All(WidthClasses.All, c => Assert.NotEmpty(DeviceProfile.Standard.In(c, Classes)));
        Assert.Throws<ArgumentException>(() => new DeviceProfile([new("one", 390, 2, 0.4)]));
    }

    private static void Near(double expected, double actual) =>
        Assert.InRange(actual, expected - 1e-6, expected + 1e-6);
}
