using CsCheck;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Checks;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;

namespace Dekoro.Core.Tests.Planning;

public sealed class BackdropPlanTests
{
    private static readonly SiteStyle Style = new();

    private static BandBlock Band(Backdrop ground, PerClass<int> least, params Block[] blocks) =>
        new("band", ground, least, HorizontalAlign.Centre, VerticalAlign.Bottom, [.. blocks]);

    private static Backdrop Behind(string asset = "kite", bool repeats = false) =>
        Backdrop.None with
        {
            AssetId = asset,
            Repeats = repeats,
        };

    private static PagePlan Plan(BandBlock band, Srgb? everywhere = null)
    {
        var grid = new ColourGrid(
            1,
            1,
            [everywhere?.Red ?? 255, everywhere?.Green ?? 255, everywhere?.Blue ?? 255, 255]
        );
        var facts = new PlanFacts(
            Style,
            new[] { Sample.Picture(), Sample.Picture("tile", 600, 300) }.ToDictionary(p => p.Id),
            Sample.Museum,
            []
        );
        return PagePlanner.Plan(
            Sample.Page(band),
            everywhere is null ? facts : facts with { Grids = new Dictionary<string, ColourGrid> { ["kite"] = grid } }
        );
    }

    [Fact]
    public void A_picture_behind_covers_its_band_at_every_width() =>
        Gen.Select(Gen.Int[0, 1500], Gen.Int[0, 1500], Gen.Int[0, 1500], Gen.Int[320, 2560])
            .Sample(
                (p, t, d, viewport) =>
                {
                    var plan = Plan(Band(Behind(), new(p, t, d), Sample.Text("p1", "Words")));
                    var (band, drawn) = (plan.Grounds["band"], plan.Figures["band"].Main.Slot.At(viewport));
                    var height = band.On[Style.Classes.ClassOf(viewport)].HeightCssPx;
                    Assert.True(height >= new PerClass<int>(p, t, d)[Style.Classes.ClassOf(viewport)]);
                    Assert.True(drawn >= viewport - 1e-6 && drawn * 3 / 4 >= height - 1e-6);
                    // And it is no wider than one of the two asks for.
                    Assert.Equal(Math.Max(viewport, height * 4 / 3), drawn, 3);
                }
            );

    [Fact]
    public void A_band_is_as_high_as_its_words_between_their_spaces()
    {
        var plan = Plan(Band(Backdrop.None, default, Sample.Text("p1", "Words"), Sample.Text("p2", "More words")));
        Assert.Equal(
            2 * PageLayout.BandPaddingPx + 2 * Style.TextPx * Style.LineHeight + 24,
            plan.Grounds["band"].On.Desktop.HeightCssPx,
            6
        );
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
        var hard = Plan(Band(Behind() with { Tone = WordsTone.Light }, default, words), Srgb.White);
        Assert.Contains(
            "hard to read on phone, tablet and desktop: 1.0 : 1, where they need 4.5 : 1; set the least tint.",
            Assert.Single(PageChecks.Of(hard), n => n.BlockId == "band").Sentence,
            StringComparison.Ordinal
        );
        var mend = hard.Grounds["band"].Mend!;
        Assert.Equal((WordsTone.Light, Srgb.Black), (mend.Words, mend.Tint));
        var mended = Plan(
            Band(Behind() with { Tone = WordsTone.Light, TintStrength = mend.Strength }, default, words),
            Srgb.White
        );
        Assert.All(WidthClasses.All, c => Assert.True(mended.Grounds["band"].On[c].Contrast!.Value.IsEnough));
        Assert.DoesNotContain(PageChecks.Of(mended), n => n.BlockId == "band");
        Assert.Null(mended.Grounds["band"].Mend);
    }

    [Fact]
    public void Over_a_dark_colour_dark_words_are_told_to_be_light_rather_than_the_colour_to_be_tinted()
    {
        var ink = Backdrop.None with { Colour = Srgb.Parse(Style.Colours.Ink) };
        var plan = Plan(Band(ink, default, Sample.Text("p1", "Words")));
        var mend = plan.Grounds["band"].Mend!;
        Assert.Equal((WordsTone.Light, default), (mend.Words, mend.Strength));
        Assert.Contains(
            "light words would be readable there",
            Assert.Single(PageChecks.Of(plan), n => n.BlockId == "band").Sentence,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Where_no_tint_of_its_colour_does_another_tint_or_the_words_turned_are_told_and_hold() =>
        Gen.Select(
                Gen.Enum<WordsTone>(),
                Gen.Select(Gen.Byte, Gen.Byte, Gen.Byte),
                Gen.Select(Gen.Byte, Gen.Byte, Gen.Byte)
            )
            .Sample(
                (tone, t, p) =>
                {
                    var (tint, picture) = (new Srgb(t.Item1, t.Item2, t.Item3), new Srgb(p.Item1, p.Item2, p.Item3));
                    var ground = Behind() with { Tone = tone, Tint = tint };
                    var plan = Plan(Band(ground, default, Sample.Text("p1", "Words")), picture);
                    var (band, notice) = (
                        plan.Grounds["band"],
                        PageChecks.Of(plan).SingleOrDefault(n => n.BlockId == "band")
                    );
                    Assert.Equal(band.HardToRead.Any(), notice is not null);
                    if (band.Mend is not { } mend)
                        return;
                    Assert.NotNull(notice);
                    Assert.Contains(
                        mend.Words != tone ? "words would be readable"
                            : mend.Tint != tint ? "another colour"
                            : "least tint",
                        notice.Sentence,
                        StringComparison.Ordinal
                    );
                    var mended = Plan(
                        Band(
                            ground with
                            {
                                Tone = mend.Words,
                                Tint = mend.Tint,
                                TintStrength = mend.Strength,
                            },
                            default,
                            Sample.Text("p1", "Words")
                        ),
                        picture
                    );
                    Assert.Empty(mended.Grounds["band"].HardToRead);
                }
            );

    [Fact]
    public void Without_a_measured_picture_nothing_is_claimed_and_on_a_colour_it_is()
    {
        Assert.Null(Plan(Band(Behind(), default, Sample.Text("p1", "Words"))).Grounds["band"].On.Phone.Contrast);
        var onColour = Plan(
            Band(
                Backdrop.None with
                {
                    Colour = Srgb.Black,
                    Tone = WordsTone.Light,
                },
                default,
                Sample.Text("p1", "Words")
            )
        )
            .Grounds["band"]
            .On.Phone;
        Assert.Equal(Srgb.Parse(Style.Colours.Paper).ContrastWith(Srgb.Black), onColour.Contrast!.Value.Ratio, 6);
    }

    [Fact]
    public void A_picture_behind_a_cell_covers_it_and_all_cells_of_a_row_are_as_high_as_the_highest() =>
        Gen.Select(Gen.Int[2, 6], Gen.Int[0, 600], Gen.Int[1, 60], Gen.Int[320, 2560])
            .Sample(
                (inRow, least, words, viewport) =>
                {
                    CellBlock Cell(string id, int count) =>
                        new(id, Behind(), [Sample.Text("p" + id, string.Join(' ', Enumerable.Repeat("kites", count)))]);
                    var columns = new ColumnsBlock(
                        "c",
                        inRow,
                        Extent.Wide,
                        new(least, least, least),
                        HorizontalAlign.Left,
                        VerticalAlign.Bottom,
                        [Cell("a", words), Cell("b", 1)]
                    );
                    var plan = PagePlanner.Plan(
                        Sample.Page(columns),
                        new PlanFacts(Style, new[] { Sample.Picture() }.ToDictionary(p => p.Id), Sample.Museum, [])
                    );
                    var (c, cell) = (
                        Style.Classes.ClassOf(viewport),
                        plan.Layout.CellOf(inRow, Extent.Wide).At(viewport)
                    );
                    var (high, low) = (plan.Grounds["a"].On[c].HeightCssPx, plan.Grounds["b"].On[c].HeightCssPx);
                    Assert.True(
                        high >= Math.Max(least, 2 * PageLayout.CellPaddingPx + Style.TextPx * Style.LineHeight) - 1e-6
                    );
                    // On a phone each has a row of its own.
                    if (c != WidthClass.Phone)
                        Assert.Equal(high, low, 9);
                    Assert.Equal(Math.Max(cell, high * 4 / 3), plan.Figures["a"].Main.Slot.At(viewport), 3);
                }
            );

    [Fact]
    public void Words_in_a_cell_of_a_band_are_read_on_the_ground_of_the_cell()
    {
        Backdrop On(Srgb colour, WordsTone words) => Backdrop.None with { Colour = colour, Tone = words };
        var columns = new ColumnsBlock(
            "c",
            2,
            Extent.Column,
            default,
            HorizontalAlign.Left,
            VerticalAlign.Top,
            [
                new("own", On(Srgb.Black, WordsTone.Light), [Sample.Text("p1", "Light on black")]),
                new("plain", Backdrop.None, [Sample.Text("p2", "Light on white")]),
            ]
        );
        var plan = Plan(Band(On(Srgb.White, WordsTone.Light), default, columns));
        Assert.Equal(["band"], PageChecks.Of(plan).Select(n => n.BlockId));
        Assert.Equal(
            Srgb.Parse(Style.Colours.Paper).ContrastWith(Srgb.Black),
            plan.Grounds["own"].On.Desktop.Contrast!.Value.Ratio,
            6
        );
        Assert.DoesNotContain("plain", plan.Grounds.Keys);
    }

    [Fact]
    public void A_picture_in_a_cell_with_a_ground_stands_within_its_padding()
    {
        var columns = new ColumnsBlock(
            "c",
            2,
            Extent.Column,
            default,
            HorizontalAlign.Left,
            VerticalAlign.Top,
            [
                new(
                    "own",
                    Backdrop.None with
                    {
                        Colour = Srgb.Black,
                    },
                    [Sample.Figure("f1", size: new FigureSize.OfCell())]
                ),
            ]
        );
        var plan = Plan(Band(Backdrop.None, default, columns));
        Assert.Equal(
            plan.Layout.CellOf(2, Extent.Column).At(1280) - 2 * PageLayout.CellPaddingPx,
            plan.Figures["f1"].Main.Slot.At(1280),
            6
        );
    }

    [Fact]
    public void A_film_behind_goes_with_its_picture_and_is_told_where_its_file_is_gone()
    {
        var band = Band(Behind() with { VideoId = "film" }, default, Sample.Text("p1", "Words"));
        Assert.Contains(
            "A file of the video",
            Assert.Single(PageChecks.Of(Plan(band)), n => n.Blocks).Sentence,
            StringComparison.Ordinal
        );
        Assert.Equal(Backdrop.None, ((BandBlock)new Document([band]).WithFigures(_ => null).Blocks[0]).Backdrop);
    }

    [Fact]
    public void Words_are_read_over_each_picture_that_follows_behind_and_one_that_is_off_or_gone_is_none_of_them()
    {
        static ArrangementItem Item(string id, string asset, bool isOn = true) =>
            new(id, asset, isOn, new(true, null), null, new(FigureLinkKind.None));
        var set = new Arrangement(
            "a",
            "Skies",
            Gallery.Usual,
            [
                Item("one", "kite"),
                Item("two", "tile") with
                {
                    StayMs = 9000,
                },
                Item("off", "tile", isOn: false),
                Item("gone", "gone"),
            ]
        );
        var ground = Behind() with { Tone = WordsTone.Light, SetId = "a" };
        var facts = new PlanFacts(
            Style,
            new[] { Sample.Picture(), Sample.Picture("tile", 600, 300) }.ToDictionary(p => p.Id),
            Sample.Museum,
            []
        )
        {
            Grids = new Dictionary<string, ColourGrid>
            {
                ["kite"] = new(1, 1, [0, 0, 0, 255]),
                ["tile"] = new(1, 1, [255, 255, 255, 255]),
            },
        };
        PagePlan Of(Backdrop ground, Arrangement? set) =>
            PagePlanner.Plan(
                Sample.Page(_ => set, Band(ground, new(400, 400, 400), Sample.Text("p1", "Words"))),
                facts
            );
        var plan = Of(ground, set);
        Assert.Equal(
            ("band-two", 9000),
            (plan.Grounds["band"].Followers.Single().Figure.Block.Id, plan.Grounds["band"].Followers.Single().StayMs)
        );
        Assert.False(plan.Grounds["band"].On.Desktop.Contrast!.Value.IsEnough);
        Assert.True(Of(ground with { SetId = null }, set).Grounds["band"].On.Desktop.Contrast!.Value.IsEnough);
        // Each has the files that its place asks for, and waits until it is asked for.
        Assert.Equal(
            plan.Figures["band"].Main.Slot.At(1280),
            plan.Figures["band-two"].Main.Slot.AtLeast(1280).At(1280),
            6
        );
        Assert.Equal(Loading.Later, plan.Figures["band-two"].Loading);
        Assert.Equal("a", Assert.Single(plan.Page.Document.SetIds));
        Assert.Contains(
            "is no more",
            Assert.Single(PageChecks.Of(Of(ground, null)), n => n.BlockId == "band").Sentence,
            StringComparison.Ordinal
        );
        Assert.Null(((BandBlock)new Document([Band(ground, default)]).WithFigures(_ => null).Blocks[0]).Backdrop.SetId);
    }

    [Fact]
    public void A_high_band_that_begins_in_the_first_screen_is_laid_whole_before_its_words_are_moved_down()
    {
        // What stands in it fills it: its picture is at the top, and would be far down if only the first screen's part
        // of it were laid.
        var words = Enumerable.Range(0, 40).Select(i => (Block)Sample.Text($"p{i}", "Words"));
        var plan = Plan(
            Band(Backdrop.None with { Colour = Srgb.White }, new(2000, 2000, 2000), [Sample.Figure("top"), .. words])
        );
        Assert.Equal(Loading.First, plan.Figures["top"].Loading);
    }

    [Fact]
    public void A_button_that_leads_nowhere_waits_and_says_so()
    {
        var plan = Plan(
            Band(
                Backdrop.None,
                default,
                new ButtonBlock("b1", "Come and see", "", ButtonKind.Filled),
                new ButtonBlock("b2", "Visit", "page:visit", ButtonKind.Filled),
                new ButtonBlock("b3", "Gone", "page:gone", ButtonKind.Filled)
            )
        );
        Assert.Equal(
            "The button “Come and see” leads nowhere: say where it leads.",
            Assert.Single(PageChecks.Of(plan), n => n.BlockId == "b1").Sentence
        );
        Assert.Empty(PageChecks.Of(plan).Where(n => n.BlockId == "b2"));
        Assert.StartsWith(
            "The link on “Gone” leads nowhere.",
            Assert.Single(PageChecks.Of(plan), n => n.BlockId == "b3").Sentence,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Large_words_need_less()
    {
        HeadingBlock heading = new("h", 2, [new TextRun("Large")]);
        var on = Plan(Band(Backdrop.None with { Colour = Srgb.White }, default, heading)).Grounds["band"].On;
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
        Assert.DoesNotContain(PageChecks.Of(plan), n => n.Sentence.Contains("alt text", StringComparison.Ordinal));
    }
}
