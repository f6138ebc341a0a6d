using CsCheck;
using Dekoro.Core.Delivery;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Tests.Planning;

public sealed class LoadTimelineTests
{
    private static readonly PagePlan Plan = Sample.Plan(
        Sample.Page(
            Sample.Figure("top"),
            Sample.Text("p", string.Join(' ', Enumerable.Repeat("words", 800))),
            Sample.Figure("below", asset: "other"),
            Sample.Figure("last")
        ),
        [Sample.Picture(), Sample.Picture("other", 1600, 900)]
    );

    [Fact]
    public void Words_come_first_then_the_first_screen_then_what_waits_and_together_no_faster_than_the_line() =>
        Gen.Select(Gen.Enum<WidthClass>(), Gen.Double[20_000, 5_000_000], Gen.Double[5, 600], Gen.Double[1000, 100_000])
            .Sample(
                (c, rate, trip, text) =>
                {
                    var told = LoadTimeline.Of(Plan, c, new("x", rate, trip), text);
                    Assert.Equal(["top", "below", "last"], told.Pictures.Select(p => p.BlockId));
                    Assert.Equal([false, true, true], told.Pictures.Select(p => p.OnScrolling));
                    Assert.True(told.WordsMs < told.FirstScreenMs && told.FirstScreenMs < told.AllMs);
                    Assert.Equal(told.Pictures[^1].AtMs, told.AllMs);
                    var bytes = text + Plan.Weights[c].All;
                    Assert.Equal(1000 * bytes / rate + (LoadTimeline.RoundTrips + 1) * trip, told.AllMs, 3);
                }
            );

    [Fact]
    public void A_page_without_pictures_is_there_with_its_words()
    {
        var told = LoadTimeline.Of(
            Sample.Plan(Sample.Page(Sample.Text("p", "Words")), []),
            WidthClass.Phone,
            VisitorLine.Offered[0],
            5000
        );
        Assert.Equal(
            (2100, 2100, 2100, true),
            ((int)told.WordsMs, (int)told.FirstScreenMs, (int)told.AllMs, told.Pictures.IsEmpty)
        );
    }
}
