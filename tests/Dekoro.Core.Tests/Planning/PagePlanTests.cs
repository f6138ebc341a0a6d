using CsCheck;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Checks;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;
using static Dekoro.Core.Tests.Planning.Sample;

namespace Dekoro.Core.Tests.Planning;

public sealed class PagePlanTests
{
    [Fact]
    public void Each_size_stands_as_wide_as_its_role_says_on_each_screen()
    {
        var blocks = Enum.GetValues<SizeRole>().Select(r => (Block)Figure("f" + (int)r, role: r)).ToArray();
        var plan = Plan(Page(blocks), [Picture()]);
        double[] At(double viewport) => [.. blocks.Select(b => plan.Figures[b.Id].Main.Slot.At(viewport))];
        Assert.Equal([358, 358, 358, 358, 390], At(390));
        Assert.Equal([224, 348, 720, 1080, 1280], At(1280));
    }

    [Fact]
    public void Cells_with_the_gutters_between_them_fill_their_row_at_every_width() =>
        Gen.Select(Gen.Int[2, 6], Gen.Enum<Extent>(), Gen.Double[320, 2600])
            .Sample(
                (inRow, extent, viewport) =>
                {
                    var plan = Plan(Page(Columns("c", inRow, extent, "f1", "f2")), [Picture()]);
                    var (style, layout) = (plan.Layout.Style, plan.Layout);
                    var whole = (extent == Extent.Wide ? layout.Wide : layout.Column).At(viewport);
                    var n = PageLayout.InRow(inRow)[
                        viewport >= style.Classes.DesktopFromPx ? WidthClass.Desktop
                        : viewport >= style.Classes.TabletFromPx ? WidthClass.Tablet
                        : WidthClass.Phone
                    ];
                    Assert.Equal(whole, n * plan.Figures["f1"].Main.Slot.At(viewport) + (n - 1) * style.GutterPx, 6);
                    Assert.InRange(n, 1, inRow);
                    Assert.Equal(plan.Figures["f1"].Main.Slot.At(viewport), plan.Figures["f2"].Main.Slot.At(viewport));
                }
            );

    [Fact]
    public void A_picture_in_a_cell_is_planned_as_one_that_stands_alone_at_that_width_and_is_offered_no_other_size()
    {
        var small = Picture(width: 500, height: 400);
        var plan = Plan(Page(Columns("c", 2, Extent.Wide, "f1"), Text("t", "Below")), [small]);
        var seen = TrialPlacement.Of(small, plan.Layout.CellOf(2, Extent.Wide), CutChoice.AsIs, plan.Layout);
        Assert.Equal(seen.Fits.Select((_, f) => f!.Word), plan.Figures["f1"].Fits.Select((_, f) => f!.Word));
        Assert.Null(Remedy.For(plan.Figures["f1"], plan.Layout)!.Size);
        Assert.Contains("px wide", Remedy.For(plan.Figures["f1"], plan.Layout)!.Sentence, StringComparison.Ordinal);
        Assert.Equal(new(false, false, false), plan.Figures["f1"].Beside);
    }

    [Fact]
    public void Of_cells_only_those_in_the_first_screen_load_at_once()
    {
        var plan = Plan(
            Page(Columns("c", 2, Extent.Wide, [.. Enumerable.Range(0, 20).Select(i => $"f{i}")])),
            [Picture()]
        );
        Assert.Contains(plan.Figures["f0"].Loading, new[] { Loading.First, Loading.AtOnce });
        Assert.Equal(Loading.Later, plan.Figures["f19"].Loading);
    }

    [Fact]
    public void Text_stands_beside_only_where_a_line_still_holds_enough_characters()
    {
        PerClass<bool> Beside(FigureBlock f) => Plan(Page(f), [Picture()]).Figures[f.Id].Beside;
        Assert.Equal(
            new(false, true, true),
            Beside(Figure(role: SizeRole.Third, side: HorizontalAlign.Right, beside: true))
        );
        Assert.Equal(
            new(false, false, false),
            Beside(Figure(role: SizeRole.Third, side: HorizontalAlign.Centre, beside: true))
        );
        Assert.Equal(
            new(false, false, false),
            Beside(Figure(role: SizeRole.Column, side: HorizontalAlign.Right, beside: true))
        );
        Assert.Equal(
            new(false, false, false),
            Beside(Figure(size: new FigureSize.ByPx(660), side: HorizontalAlign.Left, beside: true))
        );
    }

    [Fact]
    public void Fit_is_sharp_soft_or_coarse_by_the_px_there_are_for_the_px_that_are_wanted()
    {
        Fit At(int sourcePx, WidthClass c) =>
            Plan(Page(Figure()), [Picture(width: sourcePx, height: sourcePx)]).Figures["f1"].Fits[c]!;
        Assert.Equal(FitWord.Sharp, At(1440, WidthClass.Desktop).Word);
        Assert.Equal(FitWord.Soft, At(1000, WidthClass.Desktop).Word);
        Assert.Equal(FitWord.Coarse, At(480, WidthClass.Desktop).Word);
        Assert.Equal(FitReason.FileTooSmall, At(480, WidthClass.Desktop).Reason);
        Assert.Equal(480 / 720.0, At(480, WidthClass.Desktop).PxPerCssPx, 6);
    }

    [Fact]
    public void A_tight_cut_is_named_and_the_whole_picture_offered()
    {
        var plan = Plan(Page(Figure(shape: "1:4")), [Picture(width: 1600, height: 1600)]);
        Assert.Equal(FitReason.CutTooTight, plan.Figures["f1"].Fits.Desktop!.Reason);
        Assert.True(Remedy.For(plan.Figures["f1"], plan.Layout)!.WholePicture);
    }

    [Fact]
    public void A_small_file_is_offered_the_largest_size_in_which_it_is_sharp_everywhere()
    {
        var plan = Plan(Page(Figure()), [Picture(width: 960, height: 640)]);
        var remedy = Remedy.For(plan.Figures["f1"], plan.Layout)!;
        Assert.Equal(SizeRole.Half, remedy.Size);
        Assert.Null(
            Remedy.For(
                Plan(Page(Figure(role: SizeRole.Half)), [Picture(width: 960, height: 640)]).Figures["f1"],
                plan.Layout
            )
        );
    }

    [Fact]
    public void Blur_is_a_loss_of_px_and_is_named_only_where_it_is_what_limits()
    {
        // Twice the px with edges twice as wide show no more.
        var sharp = FitOf(Picture(width: 1200, height: 800), SizeRole.Column);
        var blurred = FitOf(
            Picture(width: 2400, height: 1600, edgePx: 2 * PictureFacts.FocusedEdgePx),
            SizeRole.Column
        );
        Assert.Equal(
            (sharp.Density, sharp.Word, sharp.PxPerCssPx),
            (blurred.Density, blurred.Word, blurred.PxPerCssPx)
        );
        // A large file that is blurred is sharp where little is asked of it.
        var large = Picture(width: 6000, height: 4000, edgePx: 4 * PictureFacts.FocusedEdgePx);
        Assert.Equal(FitReason.None, FitOf(large, SizeRole.Third).Reason);
        Assert.Equal((FitWord.Coarse, FitReason.Blurred), Said(FitOf(large, SizeRole.Edge)));
        // One that has too few px anyway is told so, and what cannot be told is no blur.
        var small = Picture(width: 300, height: 200, edgePx: PictureFacts.BlurredFromEdgePx);
        Assert.Equal(FitReason.FileTooSmall, FitOf(small, SizeRole.Edge).Reason);
        // What it would take is said of a file in focus: as many px of this one would still be blurred.
        var plan = Plan(Page(Columns("c", 2, Extent.Wide, "f1")), [small]);
        Assert.Equal(
            "The file is 300 px wide, of which blur leaves about 150; on desktop it takes "
                + $"{plan.Figures["f1"].Fits.Desktop!.SharpFromPx} px to be sharp here.",
            Remedy.For(plan.Figures["f1"], plan.Layout)!.Sentence
        );
        Assert.Equal(1, Picture(edgePx: 0).ShareOfPx);
        Assert.Equal(1, Picture(edgePx: null).ShareOfPx);

        static Fit FitOf(PictureFacts picture, SizeRole role) =>
            Plan(Page(Figure(role: role)), [picture]).Figures["f1"].Fits.Desktop!;

        static (FitWord, FitReason) Said(Fit fit) => (fit.Word, fit.Reason);
    }

    [Fact]
    public void Places_of_one_cut_on_other_pages_share_one_ladder()
    {
        var picture = Picture();
        var alone = Plan(Page(Figure(role: SizeRole.Third)), [picture]).Figures["f1"];
        var wide = new PageLayout(new()).SlotOf(new FigureSize.ByRole(SizeRole.Wide));
        var shared = Plan(
            Page(Figure(role: SizeRole.Third)),
            [picture],
            [new("visit", "x", picture.Id, Cut.Whole(picture.Size), wide, new(true, true, true))]
        ).Figures["f1"];
        Assert.True(shared.Main.Ladder.WidthsPx[^1] > alone.Main.Ladder.WidthsPx[^1]);
        Assert.True(shared.Main.Ladder.WorstRatio <= Ladder.WantedRatio);
    }

    [Fact]
    public void The_largest_picture_of_the_first_screen_goes_first_and_what_lies_below_waits()
    {
        var words = string.Join(' ', Enumerable.Repeat("The wind comes over the sands before noon.", 60));
        var plan = Plan(
            Page(
                Figure("small", role: SizeRole.Third),
                Figure("large", role: SizeRole.Edge, shape: "1:1"),
                Text("t", words),
                Figure("last")
            ),
            [Picture()]
        );
        Assert.Equal(
            [Loading.AtOnce, Loading.First, Loading.Later],
            new[] { "small", "large", "last" }.Select(id => plan.Figures[id].Loading)
        );
        Assert.True(plan.Weights.Phone.Later > 0 && plan.Weights.Phone.AtOnce > 0);
    }

    [Fact]
    public void A_picture_that_is_gone_is_named_and_the_rest_is_planned()
    {
        var plan = Plan(Page(Figure("f1", asset: "gone"), Figure("f2")), [Picture()]);
        Assert.Equal(["f2"], plan.Figures.Keys);
        Assert.Contains(PageChecks.Of(plan), n => n.BlockId == "f1" && n.Blocks);
    }

    [Fact]
    public void Words_come_from_where_they_were_chosen()
    {
        string Caption(CaptionSource source) =>
            Plan(Page(Figure(caption: new(source, "Our own"))), [Picture()]).Figures["f1"].Caption;
        Assert.Equal(
            ["", "Kite over the dunes", "A red kite", "Seen from the pier", "Ana Verhulst", "Our own"],
            Enum.GetValues<CaptionSource>().Select(Caption)
        );
        Assert.Equal("", Plan(Page(Figure(alt: new(true, "ignored"))), [Picture()]).Figures["f1"].Alt);
        Assert.Equal("Here only", Plan(Page(Figure(alt: new(false, "Here only"))), [Picture()]).Figures["f1"].Alt);
    }

    [Fact]
    public void A_link_to_a_place_of_the_page_that_is_not_there_is_noticed_and_one_to_a_heading_is_good()
    {
        var plan = Plan(
            Page(
                new HeadingBlock("times", 2, [new TextRun("When we fly")]),
                new ParagraphBlock("p1", [new TextRun("When", Link: "#times")]),
                new ParagraphBlock("p2", [new TextRun("Where", Link: "#no-such")])
            ),
            []
        );
        Assert.StartsWith(
            "The link on “Where” leads nowhere.",
            Assert.Single(PageChecks.Of(plan), n => n.BlockId is "p1" or "p2").Sentence,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_picture_without_alt_text_is_noticed_unless_it_is_decorative()
    {
        var wordless = Picture(words: new PictureMetadata("Kite"));
        Assert.Single(PageChecks.Of(Plan(Page(Figure()), [wordless])));
        Assert.Empty(PageChecks.Of(Plan(Page(Figure(alt: new(true, null))), [wordless])));
    }

    [Fact]
    public void A_link_that_must_not_be_followed_is_dropped_and_said()
    {
        var figure = Plan(Page(Figure(link: new(FigureLinkKind.Address, "javascript:alert(1)"))), [Picture()]);
        Assert.Null(figure.Figures["f1"].Link);
        Assert.Contains("javascript", Assert.Single(PageChecks.Of(figure)).Sentence, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(PictureFormat.Jpeg, false, 1, new[] { OutputFormat.Avif, OutputFormat.WebP, OutputFormat.Jpeg })]
    [InlineData(PictureFormat.Png, true, 1, new[] { OutputFormat.Avif, OutputFormat.WebP, OutputFormat.Png })]
    [InlineData(PictureFormat.Gif, false, 9, new[] { OutputFormat.WebP, OutputFormat.Gif })]
    [InlineData(PictureFormat.Svg, true, 1, new[] { OutputFormat.Svg })]
    public void Formats_follow_what_the_picture_is(
        PictureFormat format,
        bool alpha,
        int frames,
        OutputFormat[] expected
    ) =>
        Assert.Equal(
            expected,
            Plan(Page(Figure()), [Picture(format: format, alpha: alpha, frames: frames)]).Figures["f1"].Main.Formats
        );

    [Fact]
    public void A_place_that_waits_says_the_size_that_would_be_sharp_there_and_is_no_figure() =>
        Gen.Enum<SizeRole>()
            .Sample(role =>
            {
                var plan = Sample.Plan(
                    Sample.Page(Sample.Text("p", "Words"), Sample.Figure("waits", asset: "", role: role, shape: "2:1")),
                    []
                );
                var empty = Assert.Single(plan.Empty).Value;
                Assert.Empty(plan.Figures);
                Assert.Contains(
                    $"waits for a picture of {empty.WantsWidthPx} × {empty.WantsHeightPx} px or more",
                    Assert.Single(PageChecks.Of(plan)).Sentence,
                    StringComparison.Ordinal
                );
                // A picture of just that size is sharp on every screen, and one of a px less is not.
                bool IsSharp(int width) =>
                    Sample
                        .Plan(
                            Sample.Page(Sample.Figure("f", role: role)),
                            [Sample.Picture(width: width, height: width / 2)]
                        )
                        .Figures["f"]
                        .Fits
                        is var fits
                    && WidthClasses.All.All(c => fits[c] is { Word: FitWord.Sharp });
                Assert.True(IsSharp(empty.WantsWidthPx));
                Assert.False(IsSharp(empty.WantsWidthPx - 1));
            });

    [Fact]
    public void A_picture_in_a_line_is_as_wide_as_the_height_of_its_words_makes_it_and_never_wider_than_they_may_be()
    {
        LinePicture One(string id, LineHeight height, string asset = "kite") =>
            new(LinePicture.Of(id, asset, height, new(true, null)));
        var style = new SiteStyle();
        var plan = Plan(
            Page(
                new ParagraphBlock(
                    "p",
                    [
                        new TextRun("See "),
                        One("line", LineHeight.Line),
                        One("letters", LineHeight.Letters),
                        One("banner", LineHeight.Line, "banner"),
                    ]
                ),
                new HeadingBlock("h", 2, [One("head", LineHeight.Letters)])
            ),
            [Picture(), Picture("banner", 8000, 100)]
        );
        double At(string id, double viewport) => plan.Figures[id].Main.Slot.At(viewport);
        Assert.Equal(style.TextPx * style.LineHeight * 4 / 3, At("line", 1280), 6);
        Assert.Equal(style.TextPx * 4 / 3, At("letters", 390), 6);
        Assert.Equal(26 * 4 / 3.0, At("head", 820), 6);
        Assert.Equal(390 - 2 * style.PaddingPx.Phone, At("banner", 390), 6);
        // As large as it is drawn and no larger: no file of it is a page's width.
        Assert.All(plan.Figures["line"].Main.Ladder.WidthsPx, px => Assert.InRange(px, 1, 200));
        Assert.NotEqual(Loading.Later, plan.Figures["line"].Loading);
    }

    [Fact]
    public void A_link_to_a_file_says_type_and_size_after_its_last_word_and_a_table_wants_files_that_are_there()
    {
        var site = Museum with
        {
            FileById = new Dictionary<string, LinkedFile>
            {
                ["f1"] = new("files/programme.pdf", "Programme", "PDF", 84_200),
            },
        };
        var link = "file-in-library:f1";
        var page = Page(
            new ParagraphBlock(
                "p",
                [
                    new TextRun("The "),
                    new TextRun("whole ", Link: link),
                    new TextRun("programme", Bold: true, Link: link),
                    new TextRun("."),
                ]
            ),
            new ButtonBlock("b", "Take it", link, ButtonKind.Filled),
            new FilesBlock("t", [new("f1", null), new("gone", "Old one")])
        );
        var plan = PagePlanner.Plan(
            page,
            new PlanFacts(new SiteStyle(), new Dictionary<string, PictureFacts>(), site, [])
        );
        Assert.Equal(
            ["The whole programme (PDF, 84 kB).", "Take it (PDF, 84 kB)"],
            plan.Page.Document.Blocks.Take(2).Select(b => b.ToPlainText())
        );
        Assert.Equal("t", Assert.Single(PageChecks.Of(plan)).BlockId);
        Assert.Equal([new Link.File("f1")], plan.LinksOut);
        var slide = new ArrangementItem("i", "kite", true, new(false, null), null, new(FigureLinkKind.None))
        {
            Words = SlideWords.Of("Kites", "", "Take it", link),
        };
        var set = new Arrangement("a", "Week", Gallery.Usual, [slide]) { Kind = ArrangementKind.Slider };
        var slides = new ResolvedArrangement("set", set, SizeRole.Wide);
        Assert.Equal(
            "Take it (PDF, 84 kB)",
            PagePlanner
                .Plan(
                    Page(slides),
                    new PlanFacts(new SiteStyle(), new[] { Picture() }.ToDictionary(p => p.Id), site, [])
                )
                .Page.Document.Buttons.Single()
                .Text
        );
    }

    [Fact]
    public void A_film_that_plays_by_itself_weighs_and_one_that_waits_to_be_asked_does_not()
    {
        var site = Museum with
        {
            FileById = new Dictionary<string, LinkedFile>
            {
                ["film"] = new("files/film.webm", "Film", "WEBM", 3_000_000),
            },
        };
        double Weight(Block block) =>
            PagePlanner
                .Plan(
                    Page(block),
                    new PlanFacts(new SiteStyle(), new[] { Picture() }.ToDictionary(p => p.Id), site, [])
                )
                .Weights.Phone.All;
        FigureBlock Film(bool itself) =>
            Figure() with
            {
                Video = new VideoChoice.Own("film", null, true, false, itself),
            };
        Assert.InRange(Weight(Film(true)) - Weight(Film(false)), 3_000_000, 3_000_000);
        BandBlock Band(string? film) =>
            new(
                "b",
                Backdrop.None with
                {
                    AssetId = "kite",
                    VideoId = film,
                },
                default,
                HorizontalAlign.Left,
                VerticalAlign.Top,
                [Text("t", "Words")]
            );
        Assert.InRange(Weight(Band("film")) - Weight(Band(null)), 3_000_000, 3_000_000);
    }

    [Theory]
    [InlineData(false, false)]
    [InlineData(true, false)]
    [InlineData(false, true)]
    public void A_film_in_a_set_plays_where_it_is_told_or_starts_itself_and_takes_its_captions_along(
        bool inPlace,
        bool itself
    )
    {
        var site = Museum with
        {
            FileById = new Dictionary<string, LinkedFile>
            {
                ["film"] = new("files/film.webm", "Film", "WEBM", 3_000_000),
                ["said"] = new("files/said.vtt", "Said", "VTT", 900),
            },
        };
        ArrangementItem Item(string id) =>
            new(id, "kite", true, new(true, null), null, new(FigureLinkKind.None))
            {
                Words = SlideWords.Of("Kites", "", "", ""),
            };
        var filmed = Item("film") with
        {
            Instead = new LightboxContent.Film(new("film", "said", Controls: true, Loops: true, itself), inPlace),
        };
        var set = new Arrangement("a", "Reels", Gallery.Usual, [filmed, Item("still")])
        {
            Kind = ArrangementKind.Slider,
            Slider = Slider.Usual with
            {
                OpensLarger = true,
                Controls = Slider.Usual.Controls with { StepsInside = true },
            },
        };
        // It is kept as it was set.
        set = ArrangementValues.Read(ArrangementValues.Of(set).Write()).Check("a").Arrangement!;
        var plan = PagePlanner.Plan(
            Page(new ResolvedArrangement("set", set, SizeRole.Column)),
            new PlanFacts(new SiteStyle(), new[] { Picture() }.ToDictionary(p => p.Id), site, [])
        );
        var (figure, other) = (plan.Figures["set-film"], plan.Figures["set-still"]);
        var stays = inPlace || itself;
        Assert.Equal(new VideoChoice.Own("film", "said", true, true, itself), figure.Block.OwnVideo);
        Assert.Equal((stays, !stays), (figure.Block.Video is not null, figure.OpensLarger));
        Assert.Null(figure.LargeFile);
        Assert.NotNull(other.LargeFile);
        Assert.Equal(["film", "said"], TextRuns.FilesPlayedIn(plan.Page.Document).Select(f => f.FileId));
        // Nothing lies over what plays and its buttons.
        var slides = plan.Sets["set"];
        Assert.Equal(stays, WidthClasses.All.All(c => slides.WordsBelow[c] && !slides.StepsStandInside(c)));
        Assert.Equal(stays, slides.WordsBelowInWords?.Contains("buttons", StringComparison.Ordinal) ?? false);
    }

    [Theory]
    [InlineData("page:visit", true, null)]
    [InlineData("https://dunes.example/", true, null)]
    [InlineData("dunes.example", true, null)]
    [InlineData("http://dunes.example/", false, "Only pages of this site")]
    [InlineData("mailto:door@kites.example", false, "Only pages of this site")]
    [InlineData("page:gone", false, "is gone")]
    public void A_page_is_shown_in_the_larger_view_where_a_frame_may_show_it_and_else_its_link_leads_there(
        string link,
        bool framed,
        string? sentence
    )
    {
        var set = new Arrangement(
            "a",
            "Reels",
            Gallery.Usual with
            {
                OpensLarger = false,
            },
            [
                new("i", "kite", true, new(false, null), null, new(FigureLinkKind.None))
                {
                    Instead = new LightboxContent.Page(link),
                },
            ]
        );
        var plan = Plan(Page(new ResolvedArrangement("set", set, SizeRole.Column)), [Picture()]);
        var figure = Assert.Single(plan.Figures.Values);
        Assert.Equal(framed, figure.Instead is not null);
        if (sentence is null)
            Assert.Empty(PageChecks.Of(plan));
        else
            Assert.Contains(sentence, Assert.Single(PageChecks.Of(plan)).Sentence, StringComparison.Ordinal);
        // No file is made that nobody opens, unless nothing else is left to lead to.
        Assert.Equal(link == "page:gone", figure.LargeFile is not null);
    }
}
