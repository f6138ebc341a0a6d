using System.Collections.Immutable;
using CsCheck;
using Dekoro.Core.Choices;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Tests.Planning;

public sealed class LadderTests
{
    private static readonly PageLayout Layout = new(new());
    private static readonly DeviceProfile Profile = DeviceProfile.Standard;

    private static readonly Gen<SlotWidth> Slots = Gen.Select(Gen.Double[0.2, 1], Gen.Double[200, 1400], (part, cap) =>
        SlotWidth.Viewport.Part(part, 24).Cap(cap)
    );

    private static readonly Gen<BytesModel> Models = Gen.Select(Gen.Double[0.01, 3], Gen.Double[1.1, 1.9], (b, g) =>
        new BytesModel(b, g)
    );

    /// <summary>γ as it is measured on photographs and scenes: 1.3 to 1.7.</summary>
    private static readonly Gen<BytesModel> Photographs = Gen.Select(
        Gen.Double[0.01, 3],
        Gen.Double[1.1, 1.75],
        (b, g) => new BytesModel(b, g)
    );

    [Fact]
    public void However_its_places_are_told_and_however_many_are_alike_a_ladder_is_that_of_all_of_them() =>
        Gen.Select(Slots.Array[1, 4], Gen.Int[1, 4].Array[4], Gen.Int[300, 4000], Gen.Int[0, 10_000], Models)
            .Sample(
                (slots, counts, cutPx, seed, bytes) =>
                {
                    var cut = new Cut(0, 0, cutPx, cutPx);
                    var picture = new PictureFacts(
                        "a",
                        new("a.jpg", PictureFormat.Jpeg, false, 1, 1000),
                        new(cutPx, cutPx),
                        bytes,
                        1,
                        null,
                        new("", "", "", "")
                    );
                    SlotWidth[] all = [.. slots.SelectMany((slot, i) => Enumerable.Repeat(slot, counts[i]))];
                    var (told, random) = ((SlotWidth[])all.Clone(), new Random(seed));
                    random.Shuffle(told);
                    var counted = FigurePlanner.LadderOf(picture, cut, told, Profile);
                    // As it is worked out where each place is taken by itself.
                    var each = Ladder.Choose(
                        [.. all.Order(SlotWidth.Order).Select(s => Ladder.DemandsOf(s, Profile, cutPx))],
                        Forecast.BytesOf(picture, cut)
                    );
                    Assert.Equal(FigurePlanner.LadderOf(picture, cut, all, Profile).WidthsPx, counted.WidthsPx);
                    Assert.Equal(each.WidthsPx.Length, counted.WidthsPx.Length);
                    Assert.Equal(each.WorstRatio, counted.WorstRatio, 6);
                }
            );

    [Fact]
    public void A_picture_in_any_two_of_the_sites_sizes_stays_within_a_tenth_of_exact_size_files() =>
        Gen.Select(Gen.Enum<SizeRole>().HashSet[1, 2], Gen.Int[300, 6000], Models)
            .Sample(
                (roles, cutPx, bytes) =>
                {
                    var ladder = Ladder.Choose(
                        [
                            .. roles.Select(r =>
                                Ladder.DemandsOf(Layout.SlotOf(new FigureSize.ByRole(r)), Profile, cutPx)
                            ),
                        ],
                        bytes
                    );
                    Assert.True(ladder.WorstRatio <= Ladder.WantedRatio, $"{ladder.WorstRatio}");
                },
                iter: 300
            );

    [Fact]
    public void One_place_needs_at_most_five_widths() =>
        Gen.Select(
                Gen.Frequency(
                    (3, Gen.Enum<SizeRole>().Select(r => (FigureSize)new FigureSize.ByRole(r))),
                    (1, Gen.Int[40, 4000].Select(px => (FigureSize)new FigureSize.ByPx(px)))
                ),
                Gen.Int[300, 6000],
                Photographs
            )
            .Sample(
                (size, cutPx, bytes) =>
                {
                    var ladder = Ladder.Choose([Ladder.DemandsOf(Layout.SlotOf(size), Profile, cutPx)], bytes);
                    Assert.True(
                        ladder.WidthsPx.Length <= 5 && ladder.WorstRatio <= Ladder.WantedRatio,
                        string.Join(' ', ladder.WidthsPx)
                    );
                },
                iter: 2000
            );

    [Fact]
    public void Places_of_any_width_get_at_most_eight_files_and_all_eight_where_a_place_is_left_above() =>
        Gen.Select(Slots.Array[1, 4], Gen.Int[600, 6000], Models)
            .Sample(
                (slots, cutPx, bytes) =>
                {
                    var places = slots.Select(s => Ladder.DemandsOf(s, Profile, cutPx)).ToList();
                    var ladder = Ladder.Choose(places, bytes);
                    Assert.InRange(ladder.WidthsPx.Length, 1, Ladder.MaxWidths);
                    Assert.True(ladder.WidthsPx[^1] <= cutPx);
                    Assert.Equal(ladder.WidthsPx.Order().Distinct(), ladder.WidthsPx);
                    Assert.Equal(
                        ladder.WorstRatio,
                        places.Max(p =>
                            Ladder.ExpectedBytes(ladder.WidthsPx, p, bytes) / p.Sum(d => d.Share * bytes.At(d.WidthPx))
                        ),
                        9
                    );
                    if (ladder.WorstRatio <= Ladder.WantedRatio)
                        return;
                    Assert.Equal(Ladder.MaxWidths, ladder.WidthsPx.Length);
                    Assert.True(places.Count > 1);
                    var usual = Ladder.WorstRatioOf([320, 480, 640, 960, 1280, 1920, 2560], places, bytes);
                    Assert.True(
                        ladder.WorstRatio < usual,
                        $"{ladder.WorstRatio} against {usual} of a usual fixed ladder"
                    );
                },
                iter: 300
            );

    [Fact]
    public void No_other_choice_of_as_many_widths_expects_fewer_bytes() =>
        Gen.Select(Gen.Select(Gen.Int[100, 3000], Gen.Double[0.05, 1], (w, s) => new Demand(w, s)).Array[3, 9], Models)
            .Sample(
                (demands, bytes) =>
                {
                    var ladder = Ladder.Choose(
                        [
                            [.. demands],
                        ],
                        bytes
                    );
                    var expected = Ladder.ExpectedBytes(ladder.WidthsPx, demands, bytes);
                    var candidates = demands.Select(d => d.WidthPx).Distinct().ToArray();
                    foreach (
                        var other in Subsets(candidates, ladder.WidthsPx.Length).Where(o => o.Max() == candidates.Max())
                    )
                        Assert.True(expected <= Ladder.ExpectedBytes(other, demands, bytes) * (1 + 1e-9));
                },
                iter: 60
            );

    [Fact]
    public void One_width_fewer_would_not_do() =>
        Gen.Select(Slots, Gen.Int[600, 6000], Models)
            .Sample(
                (slot, cutPx, bytes) =>
                {
                    var demands = Ladder.DemandsOf(slot, Profile, cutPx);
                    var ladder = Ladder.Choose([demands], bytes);
                    if (ladder.WidthsPx.Length == 1)
                        return;
                    var exact = demands.Sum(d => d.Share * bytes.At(d.WidthPx));
                    foreach (var left in ladder.WidthsPx.SkipLast(1))
                        Assert.True(
                            Ladder.ExpectedBytes(ladder.WidthsPx.Remove(left), demands, bytes) / exact
                                > Ladder.WantedRatio
                        );
                },
                iter: 100
            );

    [Fact]
    public void A_browser_is_forecast_to_take_the_smallest_file_that_reaches_its_pixel_ratio()
    {
        ImmutableArray<int> ladder = [320, 640, 1280];
        Assert.Equal(320, Forecast.Take(ladder, 320, 1));
        Assert.Equal(640, Forecast.Take(ladder, 320, 2));
        Assert.Equal(640, Forecast.Take(ladder, 321, 1));
        Assert.Equal(1280, Forecast.Take(ladder, 900, 3));
    }

    [Fact]
    public void A_bytes_model_passes_through_what_was_measured()
    {
        var model = BytesModel.Through(400, 30_000, 1600, 300_000);
        Assert.Equal(30_000, model.At(400), 3);
        Assert.Equal(300_000, model.At(1600), 3);
    }

    private static IEnumerable<int[]> Subsets(int[] from, int count) =>
        count == 0
            ?
            [
                [],
            ]
            : from.SelectMany(
                (first, i) => Subsets(from[(i + 1)..], count - 1).Select(rest => rest.Prepend(first).ToArray())
            );
}
