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
using Dekoro.Core.Tests.Planning;

namespace Dekoro.Core.Tests.Arrangements;

public sealed class SliderTests
{
    private static ArrangementItem Item(
        string id,
        int? stayMs = null,
        string title = "",
        string text = "",
        string button = ""
    ) =>
        new(id, id, true, new(true, null), null, new(FigureLinkKind.None))
        {
            StayMs = stayMs,
            Words = SlideWords.Of(title, text, button, "https://sands.example/"),
        };

    private static Arrangement Set(ArrangementKind kind, Slider slider, params ArrangementItem[] items) =>
        new("a", "Kites", Gallery.Usual, [.. items]) { Kind = kind, Slider = slider };

    private static Timing Time(Slider slider, params ArrangementItem[] items) =>
        Timing.Of(Set(ArrangementKind.Slider, slider, items), _ => "")!;

    [Fact]
    public void A_round_takes_every_stay_and_change_and_what_is_wrong_with_it_is_said_only_where_it_plays_by_itself()
    {
        var plays = Slider.Usual with { PlaysItself = true };
        ArrangementItem[] five = [.. Enumerable.Range(0, 5).Select(i => Item($"i{i}"))];
        Assert.Equal(32_500L, Time(plays, five).RoundMs);
        Assert.Empty(Time(plays, Item("a", text: "A red kite over the dunes")).Findings);
        var much = string.Join(' ', Enumerable.Repeat("kite", 30));
        Assert.Contains(
            "8.6 s to read, and that slide stands for 6 s",
            Time(plays, Item("a", text: much)).Findings.Single(),
            StringComparison.Ordinal
        );
        Assert.Empty(Time(plays, Item("a", 9000, text: much)).Findings);
        Assert.Contains(
            "twice as long",
            Time(plays with { StayMs = 2000, ChangeMs = 1500 }, five).Findings.Single(),
            StringComparison.Ordinal
        );
        Assert.Empty(Time(Slider.Usual with { StayMs = 1000, ChangeMs = 900 }, Item("a", text: much)).Findings);
        Assert.Equal(0, Timing.ReadingMs("  "));
        Assert.Null(Timing.Of(Set(ArrangementKind.Gallery, plays, five), _ => ""));
    }

    [Fact]
    public void A_stop_stays_as_long_as_that_of_its_pictures_which_stays_longest_over_the_end_too()
    {
        var set = Set(
            ArrangementKind.Carousel,
            Slider.Usual with
            {
                InView = new(1, 2, 2),
                AdvanceBy = new(1, 2, 2),
            },
            Item("a", 9000),
            Item("b"),
            Item("c"),
            Item("d", 2000),
            Item("e")
        );
        Assert.Equal([0, 2, 4], set.StopsOn(WidthClass.Desktop, 5));
        // At the last stop stands e with a beside it.
        Assert.Equal([9000, 6000, 9000], set.StaysOn(WidthClass.Desktop));
        Assert.Equal([9000, 6000, 6000, 2000, 6000], set.StaysOn(WidthClass.Phone));
        Assert.Equal(
            [9000, 6000, 6000],
            (set with { Slider = set.Slider with { Loops = false } }).StaysOn(WidthClass.Desktop)
        );
    }

    [Fact]
    public void Of_what_follows_so_much_shows_as_was_set_and_nothing_where_all_are_in_view()
    {
        var row = GalleryLayout.Row(5, 3, 16, 1, peekPx: 40);
        Assert.Equal(900 - 40, 3 * row.Boxes[0].WidthAt(900) + 3 * 16, 0.001);
        Assert.Equal(900, 3 * GalleryLayout.Row(3, 3, 16, 1, peekPx: 40).Boxes[0].WidthAt(900) + 2 * 16, 0.001);
    }

    [Fact]
    public void Words_stand_over_slides_where_they_find_room_and_below_all_of_them_where_they_do_not()
    {
        var few = Plan(Set(ArrangementKind.Slider, Slider.Usual, Item("kite", title: "Kites"), Item("dune")));
        Assert.Equal(new PerClass<bool>(false, false, false), few.WordsBelow);
        var many = Plan(
            Set(
                ArrangementKind.Slider,
                Slider.Usual,
                Item(
                    "kite",
                    title: "Kites of the long afternoon",
                    text: string.Join(' ', Enumerable.Repeat("kite", 60)),
                    button: "See"
                ),
                Item("dune")
            )
        );
        Assert.True(many.WordsBelow.Phone);
        Assert.False(many.WordsBelow.Desktop);
        Assert.True(many.HeightAt(WidthClass.Phone, 358) > few.HeightAt(WidthClass.Phone, 358) + 200);
        Assert.Equal(few.HeightAt(WidthClass.Desktop, 1120), many.HeightAt(WidthClass.Desktop, 1120));
        // A gallery shows none of them, and keeps them.
        Assert.Empty(
            new ResolvedArrangement(
                "set",
                Set(ArrangementKind.Gallery, Slider.Usual, Item("kite", title: "Kites")),
                SizeRole.Wide
            ).Slides
        );

        static ArrangementPlan Plan(Arrangement set) =>
            ArrangementPlan.Of(
                new ResolvedArrangement("set", set, SizeRole.Wide),
                f => Sample.Picture(f.AssetId, 2400, 1600),
                new PageLayout(new SiteStyle())
            )!;
    }

    [Fact]
    public void Every_picture_of_a_gallery_in_parts_stands_on_exactly_one_sheet_each_at_an_address_of_its_own()
    {
        var set = Set(
            ArrangementKind.Gallery,
            Slider.Usual,
            [.. Enumerable.Range(0, 11).Select(i => Item($"i{i}"))]
        ) with
        {
            Gallery = Gallery.Usual with { Paging = new(4, PageLinksAt.Below, PageLinksLook.Words) },
        };
        var other = set with { Id = "b", Name = "Dunes", Items = [.. set.Items.Take(5)] };
        ResolvedArrangement One(string id, Arrangement of) => new(id, of, SizeRole.Wide);
        var page = ResolvedPage.Of("p", new("Hall", "hall", "", new Document([One("x", set), One("y", other)])), _ =>
            null
        );
        var sheets = GalleryPages.Of(page).ToList();
        Assert.Equal(["hall", "hall/kites_2", "hall/kites_3", "hall/dunes_2"], sheets.Select(s => s.Path));
        Assert.Equal(sheets.Count, sheets.Select(s => s.Id).Distinct().Count());
        Assert.All(sheets, s => Assert.Equal("p", s.Main.Id));
        string[] On(ResolvedPage sheet, string block) =>
            [.. sheet.Arrangements.Single(a => a.Id == block).Pictures.Select(f => f.AssetId)];
        Assert.Equal(set.Items.Select(i => i.AssetId), sheets.Take(3).SelectMany(s => On(s, "x")));
        Assert.Equal(4, On(sheets[3], "x").Length);
        Assert.Equal(["i4"], On(sheets[3], "y"));
        Assert.Equal(
            [(0, 11), (4, 11), (8, 11)],
            sheets.Take(3).Select(s => s.Arrangements.Single(a => a.Id == "x").LargerOnSheets)
        );
        Assert.Equal(sheets[2].Id, GalleryPages.At(page, "x", 3).Id);
        Assert.Equal("p", GalleryPages.At(page, "x", 9).Id);
    }

    [Fact]
    public void Whatever_picture_lies_under_it_a_plate_with_its_edge_stands_out_by_as_much_as_is_promised() =>
        Gen.Select(Gen.Byte.Array[3], Gen.Byte.Array[3])
            .Sample(
                (plate, under) =>
                {
                    var (controls, colours, below) = (
                        new SliderControls(ControlSize.Usual, new Srgb(plate[0], plate[1], plate[2]), false),
                        new SiteColours(),
                        new Srgb(under[0], under[1], under[2])
                    );
                    Assert.True(
                        Math.Max(
                            controls.PlateOn(colours).ContrastWith(below),
                            controls.MarkOn(colours).ContrastWith(below)
                        )
                            >= controls.LeastOverAny(colours) - 1e-9
                    );
                    Assert.True(controls.MarkOn(colours).ContrastWith(controls.PlateOn(colours)) >= 4.5);
                    // The page's own always do.
                    Assert.True(SliderControls.Usual.LeastOverAny(colours) >= SliderControls.Needed);
                }
            );

    [Fact]
    public void Dots_that_are_hard_to_see_on_the_paper_are_told_and_a_picture_is_measured_only_where_it_has_to_be()
    {
        var inside = Slider.Usual with { Arrows = ArrowsAt.Inside };
        Assert.Empty(Found(inside, Grey(119)));
        Assert.Contains(
            "on the page's paper",
            Found(Slider.Usual with { Controls = new(ControlSize.Usual, new Srgb(240, 230, 200), false) }, null)
                .Single(),
            StringComparison.Ordinal
        );
        var middle = new SliderControls(ControlSize.Usual, new Srgb(119, 119, 119), false);
        Assert.Contains(
            "Over one of its pictures",
            Found(inside with { Steps = Indicators.None, Controls = middle }, Grey(60)).Single(),
            StringComparison.Ordinal
        );
        Assert.Empty(Found(inside with { Steps = Indicators.None, Controls = middle }, Grey(255)));
        Assert.Empty(
            Found(inside with { Steps = Indicators.None, Controls = middle, Arrows = ArrowsAt.Below }, Grey(60))
        );

        // Nothing that shows that there is more.
        var bare = Slider.Usual with { Arrows = ArrowsAt.None, Steps = Indicators.None, Counter = false };
        Assert.Contains("more pictures follow", Found(bare, null).Single(), StringComparison.Ordinal);
        Assert.Empty(Found(bare with { PeekPx = 40 }, null));
        Assert.Empty(Found(bare with { PlaysItself = true }, null));

        static ColourGrid Grey(byte grey) => new(1, 1, [grey, grey, grey, 255]);
        static string[] Found(Slider slider, ColourGrid? grid)
        {
            var set = Set(ArrangementKind.Slider, slider, Item("kite"), Item("dune"));
            var page = Sample.Page(new ResolvedArrangement("set", set, SizeRole.Wide));
            var pictures = new[] { Sample.Picture("kite"), Sample.Picture("dune") }.ToDictionary(p => p.Id);
            var facts = new PlanFacts(new SiteStyle(), pictures, Sample.Museum, [])
            {
                Grids = grid is null
                    ? new Dictionary<string, ColourGrid>()
                    : pictures.Keys.ToDictionary(id => id, _ => grid),
            };
            return
            [
                .. PageChecks.Of(PagePlanner.Plan(page, facts)).Where(n => n.BlockId == "set").Select(n => n.Sentence),
            ];
        }
    }

    [Fact]
    public void Steps_stand_over_the_pictures_where_one_line_holds_them_and_words_over_slides_end_above_them()
    {
        var inside = new SliderControls(ControlSize.Large, null, StepsInside: true);
        ArrangementPlan Plan(int count, SliderControls controls) =>
            ArrangementPlan.Of(
                new ResolvedArrangement(
                    "set",
                    Set(
                        ArrangementKind.Slider,
                        Slider.Usual with
                        {
                            Counter = false,
                            Arrows = ArrowsAt.None,
                            Controls = controls,
                        },
                        [.. Enumerable.Range(0, count).Select(i => Item($"p{i}", title: "Kites"))]
                    ),
                    SizeRole.Wide
                ),
                f => Sample.Picture(f.AssetId, 2400, 1600),
                new PageLayout(new SiteStyle())
            )!;
        Assert.Equal(
            (true, 0),
            (Plan(5, inside).StepsStandInside(WidthClass.Phone), Plan(5, inside).BarPx(WidthClass.Phone))
        );
        Assert.Equal(
            (false, true),
            (Plan(12, inside).StepsStandInside(WidthClass.Phone), Plan(12, inside).StepsStandInside(WidthClass.Desktop))
        );
        Assert.True(Plan(12, inside).BarPx(WidthClass.Phone) > 60);
        Assert.Equal(
            ArrangementPlan.StepsInsidePx(inside),
            Plan(5, inside).WordsFootPx(WidthClass.Desktop) - ArrangementPlan.WordsPaddingPx
        );
        Assert.True(
            Plan(5, SliderControls.Usual with { Size = ControlSize.Large }).BarPx(WidthClass.Desktop)
                > Plan(5, SliderControls.Usual).BarPx(WidthClass.Desktop)
        );
    }
}
