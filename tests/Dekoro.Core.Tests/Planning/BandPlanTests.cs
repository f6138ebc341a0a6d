using CsCheck;
using Dekoro.Core.Colour;
using Dekoro.Core.Documents;
using Dekoro.Core.Planning;
using Dekoro.Core.Sites;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Tests.Planning;

public sealed class BandPlanTests
{
    private static readonly SiteStyle Style = new();

    private static BandBlock Band(Ground ground, PerClass<int> least, params Block[] blocks) => new("band", ground, least, Side.Centre, Down.Bottom, [.. blocks]);
    private static Ground Behind(string asset = "kite", bool repeats = false) => Ground.None with { AssetId = asset, Repeats = repeats };

    private static PagePlan Plan(BandBlock band, Srgb? everywhere = null)
    {
        var grid = new ColourGrid(1, 1, [everywhere?.Red ?? 255, everywhere?.Green ?? 255, everywhere?.Blue ?? 255, 255]);
        var facts = new PlanFacts(Style, new[] { Sample.Picture(), Sample.Picture("tile", 600, 300) }.ToDictionary(p => p.Id), Sample.Site, []);
        return PagePlanner.Plan(Sample.Page(band), everywhere is null ? facts : facts with { Grids = new Dictionary<string, ColourGrid> { ["kite"] = grid } });
    }

    [Fact]
    public void A_picture_behind_covers_its_band_at_every_width() => Gen.Select(Gen.Int[0, 1500], Gen.Int[0, 1500], Gen.Int[0, 1500], Gen.Int[320, 2560]).Sample((p, t, d, viewport) =>
    {
        var plan = Plan(Band(Behind(), new(p, t, d), Sample.Text("p1", "Words")));
        var (band, drawn) = (plan.Bands["band"], plan.Figures["band"].Main.Slot.At(viewport));
        var height = band.On[Style.Classes.ClassOf(viewport)].HeightCssPx;
        Assert.True(height >= new PerClass<int>(p, t, d)[Style.Classes.ClassOf(viewport)]);
        Assert.True(drawn >= viewport - 1e-6 && drawn * 3 / 4 >= height - 1e-6);
        // And it is no wider than one of the two asks for.
        Assert.Equal(Math.Max(viewport, height * 4 / 3), drawn, 3);
    });

    [Fact]
    public void A_band_is_as_high_as_its_words_between_their_spaces()
    {
        var plan = Plan(Band(Ground.None, default, Sample.Text("p1", "Words"), Sample.Text("p2", "More words")));
        Assert.Equal(2 * PageLayout.BandPaddingPx + 2 * Style.TextPx * Style.LineHeight + 24, plan.Bands["band"].On.Desktop.HeightCssPx, 6);
        Assert.Empty(plan.Figures);
    }

    [Fact]
    public void A_pattern_stands_at_half_its_px_and_asks_for_one_file()
    {
        var figure = Plan(Band(Behind("tile", repeats: true), default, Sample.Text("p1", "Words"))).Figures["band"];
        Assert.Equal(300, figure.Main.Slot.At(390));
        Assert.Equal(300, figure.Main.Slot.At(2000));
        Assert.Single(figure.Main.Formats);
        Assert.Equal(600, figure.Main.Ladder.WidthsPx[^1]);
    }

    [Fact]
    public void Words_hard_to_read_are_pointed_out_with_what_mends_them()
    {
        var words = Sample.Text("p1", "Words over a white picture");
        var hard = Plan(Band(Behind() with { Words = WordsTone.Light }, default, words), Srgb.White);
        Assert.Contains("hard to read on phone and tablet and desktop: 1.0 : 1, where they need 4.5 : 1; set the least tint.", Assert.Single(hard.Notices, n => n.BlockId == "band").Sentence, StringComparison.Ordinal);
        var mend = hard.Bands["band"].Mend!;
        Assert.Equal((WordsTone.Light, Srgb.Black), (mend.Words, mend.Tint));
        var mended = Plan(Band(Behind() with { Words = WordsTone.Light, TintStrength = mend.Strength }, default, words), Srgb.White);
        Assert.All(WidthClasses.All, c => Assert.True(mended.Bands["band"].On[c].Contrast!.Value.IsEnough));
        Assert.DoesNotContain(mended.Notices, n => n.BlockId == "band");
        Assert.Null(mended.Bands["band"].Mend);
    }

    [Fact]
    public void Where_no_tint_of_its_colour_does_another_tint_or_the_words_turned_are_told_and_hold() => Gen.Select(
        Gen.Enum<WordsTone>(), Gen.Select(Gen.Byte, Gen.Byte, Gen.Byte), Gen.Select(Gen.Byte, Gen.Byte, Gen.Byte)).Sample((tone, t, p) =>
    {
        var (tint, picture) = (new Srgb(t.Item1, t.Item2, t.Item3), new Srgb(p.Item1, p.Item2, p.Item3));
        var ground = Behind() with { Words = tone, Tint = tint };
        var plan = Plan(Band(ground, default, Sample.Text("p1", "Words")), picture);
        var (band, notice) = (plan.Bands["band"], plan.Notices.SingleOrDefault(n => n.BlockId == "band"));
        Assert.Equal(band.HardToRead.Any(), notice is not null);
        if (band.Mend is not { } mend) return;
        Assert.NotNull(notice);
        Assert.Contains(mend.Words != tone ? "words would be readable" : mend.Tint != tint ? "another colour" : "least tint", notice.Sentence, StringComparison.Ordinal);
        var mended = Plan(Band(ground with { Words = mend.Words, Tint = mend.Tint, TintStrength = mend.Strength }, default, Sample.Text("p1", "Words")), picture);
        Assert.Empty(mended.Bands["band"].HardToRead);
    });

    [Fact]
    public void Without_a_measured_picture_nothing_is_claimed_and_on_a_colour_it_is()
    {
        Assert.Null(Plan(Band(Behind(), default, Sample.Text("p1", "Words"))).Bands["band"].On.Phone.Contrast);
        var onColour = Plan(Band(Ground.None with { Colour = Srgb.Black, Words = WordsTone.Light }, default, Sample.Text("p1", "Words"))).Bands["band"].On.Phone;
        Assert.Equal(Srgb.Parse(Style.Colours.Paper).ContrastWith(Srgb.Black), onColour.Contrast!.Value.Ratio, 6);
    }

    [Fact]
    public void Large_words_need_less()
    {
        HeadingBlock heading = new("h", 2, [new TextRun("Large")]);
        var on = Plan(Band(Ground.None with { Colour = Srgb.White }, default, heading)).Bands["band"].On;
        Assert.Equal(3, on.Desktop.Contrast!.Value.Needed);
    }

    [Fact]
    public void What_stands_in_a_band_stands_as_wide_as_on_the_page_and_the_picture_behind_is_never_said()
    {
        var plan = Plan(Band(Behind(), default, Sample.Figure("f1"), Sample.Columns("c", 3, Extent.Wide, "f2")));
        Assert.Equal(["band", "f1", "f2"], plan.Page.Document.Figures.Select(f => f.Id));
        Assert.Equal(plan.Layout.Column, plan.Figures["f1"].Main.Slot);
        Assert.Equal(plan.Layout.CellOf(3, Extent.Wide), plan.Figures["f2"].Main.Slot);
        Assert.Equal("", plan.Figures["band"].Alt);
        Assert.DoesNotContain(plan.Notices, n => n.Sentence.Contains("alt text", StringComparison.Ordinal));
    }
}
