using System.Collections.Immutable;
using CsCheck;
using Dekoro.Core.Editing;

namespace Dekoro.Core.Tests.Editing;

public sealed class AdjustmentsTests
{
    private static readonly Gen<int> Scale = Gen.Int[-100, 100];

    [Fact]
    public void No_curve_turns_tones_round_or_leaves_the_scale() =>
        Scale.Sample(v =>
        {
            foreach (
                var curve in new[]
                {
                    ToneCurve.Light(v),
                    ToneCurve.Contrast(v),
                    ToneCurve.Shadows(v),
                    ToneCurve.Warmth(v),
                }
            )
            {
                Assert.All(curve.Values, x => Assert.InRange(x, 0, 1));
                Assert.All(Enumerable.Range(1, ToneCurve.Points - 1), i =>
                    Assert.True(curve.Values[i] >= curve.Values[i - 1] - 1e-12)
                );
            }
            Assert.Equal((0.0, 1.0), (ToneCurve.Light(v).At(0), ToneCurve.Light(v).At(1)));
        });

    [Fact]
    public void Nought_changes_nothing()
    {
        Assert.All(Adjustments.None.Curves, c =>
            Assert.Equal((ToneCurve.Straight, ToneCurve.Straight, ToneCurve.Straight), c)
        );
        Assert.Equal([1, 0, 0, 0, 1, 0, 0, 0, 1], Adjustments.None.ColourMatrix.Select(v => Math.Round(v, 12)));
        Assert.Equal([0, 0, 0, 0, 1, 0, 0, 0, 0], Adjustments.None.SharpenKernel.Select(v => v + 0.0));
    }

    [Fact]
    public void Each_scale_does_what_its_name_says()
    {
        Assert.True(ToneCurve.Light(40).At(0.5) > 0.55 && ToneCurve.Light(-40).At(0.5) < 0.45);
        Assert.True(ToneCurve.Contrast(50).At(0.25) < 0.25 && ToneCurve.Contrast(50).At(0.75) > 0.75);
        Assert.True(ToneCurve.Shadows(60).At(0.2) > 0.25 && Math.Abs(ToneCurve.Shadows(60).At(0.95) - 0.95) < 0.005);
        var warm = Adjustments.Of(warmth: 50).Curves[^1];
        Assert.True(warm.Red.At(0.5) > 0.5 && warm.Blue.At(0.5) < 0.5 && warm.Green.At(0.5) == 0.5);
        // Without colour the three channels are one.
        var grey = Adjustments.Of(colour: -100).ColourMatrix;
        Assert.Equal(grey[..3], grey[3..6]);
    }

    [Fact]
    public void The_colours_matrix_leaves_greys_and_the_kernel_leaves_plain_areas() =>
        Scale.Sample(v =>
        {
            var matrix = Adjustments.Of(colour: v).ColourMatrix;
            for (var row = 0; row < 3; row++)
                Assert.Equal(1, matrix[row * 3] + matrix[row * 3 + 1] + matrix[row * 3 + 2], 9);
            Assert.Equal(1, Adjustments.Of(sharpen: Math.Abs(v)).SharpenKernel.Sum(), 9);
        });

    [Fact]
    public void Evening_out_lightens_the_dark_spreads_the_flat_cools_the_warm_and_leaves_the_even_alone()
    {
        Assert.True(EvenOut.Of(Of(20, 40, 60)).Light > 10);
        Assert.True(EvenOut.Of(Of(200, 215, 230)).Light < -10);
        Assert.True(EvenOut.Of(Of(110, 120, 130)).Contrast > 20);
        Assert.True(EvenOut.Of(new(Tones(160), Tones(120), Tones(80))).Warmth < -5);
        Assert.True(EvenOut.Of(new(Tones(80), Tones(120), Tones(160))).Warmth > 5);
        var even = EvenOut.Of(Of([.. Enumerable.Range(0, 256)]));
        Assert.InRange(even.Light, -12, 12);
        Assert.Equal((0, 0), (even.Contrast, even.Warmth));
        // Doing it to what was evened out changes little more.
        Gen.Int[5, 250]
            .Array[3, 40]
            .Sample(tones =>
            {
                var first = EvenOut.Of(Of(tones));
                var again = EvenOut.Of(
                    Of([.. tones.Select(t => (int)Math.Round(255 * ToneCurve.Light(first.Light).At(t / 255.0)))])
                );
                Assert.True(Math.Abs(again.Light) <= Math.Abs(first.Light) + 2);
            });
    }

    [Fact]
    public void An_empty_or_one_toned_picture_is_evened_out_without_harm()
    {
        foreach (var tone in new[] { 0, 1, 128, 254, 255 })
            EvenOut.Of(Of(tone));
        EvenOut.Of(new([.. new long[256]], [.. new long[256]], [.. new long[256]]));
    }

    private static Histogram Of(params int[] tones) => new(Tones(tones), Tones(tones), Tones(tones));

    private static ImmutableArray<long> Tones(params int[] tones)
    {
        var counts = new long[256];
        foreach (var tone in tones)
            counts[tone] += 100;
        return [.. counts];
    }
}
