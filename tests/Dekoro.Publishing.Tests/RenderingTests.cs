using System.Collections.Immutable;
using System.IO.Compression;
using CsCheck;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Content;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;

namespace Dekoro.Publishing.Tests;

public sealed class RenderingTests : IAsyncLifetime
{
    private static readonly PictureFacts Reel = new(
        "reel",
        new("reel.jpg", PictureFormat.Jpeg, false, 1, 900_000),
        new PixelSize(2400, 1600),
        BytesModel.Unmeasured(2.0 / 3),
        0.3,
        null,
        new PictureMetadata("Line reel", "A wooden reel", "The first reel")
    );

    private static readonly SiteAddresses Site = new(
        new Dictionary<string, string> { ["home"] = "", ["visit"] = "visit" },
        new HashSet<string>()
    );

    private readonly Renderer _renderer = new();

    public ValueTask InitializeAsync() => ValueTask.CompletedTask;

    public ValueTask DisposeAsync() => _renderer.DisposeAsync();

    [Fact]
    public async Task A_figure_says_its_widths_sizes_shape_and_words()
    {
        var html = await BlockAsync(
            Figure(role: SizeRole.Half, side: HorizontalAlign.Right, beside: true, caption: CaptionSource.Caption)
        );
        Assert.Contains(
            "class=\"fig fig-half fig-right beside-tablet beside-desktop\"",
            html,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "sizes=\"(min-width: 784px) 348px, (min-width: 700px) calc(50vw - 44px), calc(100vw - 32px)\"",
            html,
            StringComparison.Ordinal
        );
        Assert.Contains("width=\"2400\" height=\"1600\"", html, StringComparison.Ordinal);
        Assert.Contains("alt=\"A wooden reel\"", html, StringComparison.Ordinal);
        Assert.Contains("<figcaption>The first reel</figcaption>", html, StringComparison.Ordinal);
        Assert.Matches("<source type=\"image/avif\".*<source type=\"image/webp\".*<img ", html);
    }

    [Fact]
    public async Task Every_candidate_stands_in_srcset_once_in_order()
    {
        var html = await BlockAsync(Figure());
        var set = System.Text.RegularExpressions.Regex.Match(html, "<img[^>]* srcset=\"([^\"]*)\"").Groups[1].Value;
        var widths = set.Split(", ")
            .Select(c => int.Parse(c.Split(' ')[1].TrimEnd('w'), System.Globalization.CultureInfo.InvariantCulture))
            .ToList();
        Assert.True(widths.Count > 1);
        Assert.Equal(widths.Order().Distinct(), widths);
    }

    [Fact]
    public async Task Where_widths_differ_each_has_its_sources_and_nothing_is_fetched_where_it_is_hidden()
    {
        var html = await BlockAsync(
            Figure() with
            {
                Exceptions = new(
                    new(Size: new FigureSize.ByPx(200), Side: HorizontalAlign.Left, Cut: new(AspectRatio.Of(1, 1))),
                    new(Hidden: true),
                    null
                ),
            }
        );
        Assert.Contains(
            "class=\"fig phone-px phone-left tablet-column tablet-centre desktop-column desktop-centre "
                + "hidden-tablet\" data-block=\"f\" style=\"--px-phone:200px\"",
            html,
            StringComparison.Ordinal
        );
        var sources = System.Text.RegularExpressions.Regex.Matches(html, "<source[^>]*>").Select(m => m.Value).ToList();
        Assert.Equal(
            ["avif", "webp", "jpeg"],
            sources
                .Take(3)
                .Select(s =>
                    System
                        .Text.RegularExpressions.Regex.Match(
                            s,
                            @"media=""\(min-width: 1184px\)"" type=""image/(\w+)"" "
                                + @"sizes=""720px"".*width=""2400"" height=""1600"""
                        )
                        .Groups[1]
                        .Value
                )
        );
        Assert.StartsWith("<source media=\"(min-width: 700px)\" srcset=\"data:", sources[3], StringComparison.Ordinal);
        Assert.Equal(
            ["avif", "webp"],
            sources
                .Skip(4)
                .Select(s =>
                    System
                        .Text.RegularExpressions.Regex.Match(
                            s,
                            @"^<source type=""image/(\w+)"" sizes=""[^""]*200px, "
                                + @"calc[^""]*"".*width=""1600"" height=""1600"""
                        )
                        .Groups[1]
                        .Value
                )
        );
        Assert.Matches(
            @"<img sizes=""[^""]*200px, calc[^""]*"" srcset=""[^""]*Jpeg [0-9]+w"" src=""[^""]*"" "
                + @"width=""1600"" height=""1600"" style=""--shape-phone:1600/1600;--shape-desktop:2400/1600"" alt=",
            html
        );
    }

    [Fact]
    public async Task The_first_picture_is_fetched_beforehand_in_the_cut_of_each_width_and_no_other()
    {
        var html = await _renderer.PageAsync(
            Model(
                new Document([Figure() with { Exceptions = new(new(Cut: new(AspectRatio.Of(1, 1))), null, null) }]),
                "visit",
                "../"
            ),
            ""
        );
        Assert.Equal(
            ["(min-width: 700px)", "(max-width: 699.98px)"],
            System
                .Text.RegularExpressions.Regex.Matches(
                    html,
                    @"<link rel=""preload"" as=""image""[^>]* media=""([^""]*)"""
                )
                .Select(m => m.Groups[1].Value)
        );
    }

    [Theory]
    [InlineData(FigureLinkKind.None, "", null)]
    [InlineData(FigureLinkKind.Page, "visit", "href=\"../visit/\"")]
    [InlineData(
        FigureLinkKind.Address,
        "https://example.org/",
        "href=\"https://example.org/\" target=\"_blank\" rel=\"noopener\""
    )]
    [InlineData(FigureLinkKind.LargeFile, "", "href=\"../media/reel-2400.Jpeg\"")]
    [InlineData(FigureLinkKind.Address, "javascript:alert(1)", null)]
    public async Task A_link_goes_where_it_was_set_and_others_open_a_new_window(
        FigureLinkKind kind,
        string target,
        string? written
    )
    {
        var html = await BlockAsync(Figure(link: new(kind, target)));
        if (written is null)
            Assert.DoesNotContain("<a ", html, StringComparison.Ordinal);
        else
            Assert.Contains("<a " + written, html, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_link_on_a_picture_without_words_has_a_name()
    {
        var html = await BlockAsync(Figure(link: new(FigureLinkKind.LargeFile), alt: new(true, null)));
        Assert.Contains("aria-label=\"Line reel\"", html, StringComparison.Ordinal);
        Assert.Contains("alt=\"\"", html, StringComparison.Ordinal);
    }

    [Fact]
    public void Whatever_is_typed_is_text_on_the_page() =>
        Gen.String[Gen.Char["<>&\"' ab/=`"], 1, 40]
            .Sample(typed =>
            {
                var words = "x" + typed;
                var html = BlockAsync(new ParagraphBlock("p", [new TextRun(words)])).GetAwaiter().GetResult();
                var inside = html[
                    (html.IndexOf('>', StringComparison.Ordinal) + 1)..html.LastIndexOf(
                        "</p>",
                        StringComparison.Ordinal
                    )
                ];
                Assert.DoesNotContain("<", inside, StringComparison.Ordinal);
                Assert.Equal(words, System.Net.WebUtility.HtmlDecode(inside));
            });

    [Fact]
    public async Task Kinds_of_text_become_their_elements()
    {
        ImmutableArray<Inline> line =
        [
            new TextRun("One ", Bold: true),
            new TextRun("two", Italic: true, Link: "page:visit"),
            new LineBreak(),
            new TextRun("three"),
        ];
        Assert.Equal(
            "<p data-block=\"p\"><strong>One </strong><a href=\"../visit/\"><em>two</em></a><br>three</p>",
            Squeezed(await BlockAsync(new ParagraphBlock("p", line)))
        );
        Assert.StartsWith(
            "<h3 id=\"h\" data-block=\"h\">",
            await BlockAsync(new HeadingBlock("h", 3, line)),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "<ol data-block=\"l\"><li><p",
            await BlockAsync(
                new ListBlock(
                    "l",
                    true,
                    [
                        [new ParagraphBlock("i", line)],
                    ]
                )
            ),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "<blockquote data-block=\"q\">",
            await BlockAsync(new QuoteBlock("q", [new ParagraphBlock("i", line)])),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_band_says_its_ground_tint_and_height_for_each_screen_and_its_picture_says_nothing()
    {
        var ground = new Backdrop(Srgb.Parse("#143c58"), "reel", false, Srgb.Black, new(64, 0, 128), WordsTone.Light);
        var html = Squeezed(
            await BlockAsync(
                new BandBlock(
                    "b",
                    ground,
                    new(0, 0, 400),
                    HorizontalAlign.Centre,
                    VerticalAlign.Top,
                    [new ParagraphBlock("p", [new TextRun("Words")])]
                )
            )
        );
        Assert.StartsWith(
            """<div class="band over words-light across-centre down-top" data-block="b" """
                + """style="--behind:#143c58;--tint:#000000;--tint-phone:0.25;--at-phone:50% 50%;""",
            html,
            StringComparison.Ordinal
        );
        Assert.Contains("--tint-desktop:0.5;", html, StringComparison.Ordinal);
        Assert.Contains("--least-desktop:400px", html, StringComparison.Ordinal);
        Assert.DoesNotContain("--least-phone", html, StringComparison.Ordinal);
        Assert.Contains("class=\"ground\" alt=\"\"", html, StringComparison.Ordinal);
        Assert.DoesNotContain("<figure", html, StringComparison.Ordinal);
        Assert.EndsWith(
            "<div class=\"band-words\"><p data-block=\"p\">Words</p></div></div>",
            html,
            StringComparison.Ordinal
        );
        Assert.Equal(
            "",
            Squeezed(
                await BlockAsync(
                    new BandBlock("b", Backdrop.None, default, HorizontalAlign.Left, VerticalAlign.Top, [])
                )
            )
        );
    }

    [Fact]
    public async Task A_pattern_is_one_file_laid_side_by_side_at_half_its_px()
    {
        var html = Squeezed(
            await BlockAsync(
                new BandBlock(
                    "b",
                    Backdrop.None with
                    {
                        AssetId = "reel",
                        Repeats = true,
                    },
                    default,
                    HorizontalAlign.Left,
                    VerticalAlign.Middle,
                    []
                )
            )
        );
        Assert.Contains("background-size:1200px 800px", html, StringComparison.Ordinal);
        Assert.DoesNotContain("<img", html, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(Typeface.Newsreader)]
    [InlineData(Typeface.SourceSans)]
    [InlineData(Typeface.Figtree)]
    public void Faces_are_measured_for_every_weight_that_text_is_set_in(Typeface typeface)
    {
        var face = Faces.Of(typeface).Metrics;
        Assert.Equal([400, 500, 700], face.Upright.Keys.Order());
        Assert.Equal([400, 500, 700], face.Italic.Keys.Order());
        Assert.InRange(face.MeanAdvanceEm, 0.38, 0.55);
        Assert.True(face.Of(400, false).KernEm('A', 'V') < 0);
        Assert.All(Faces.Of(typeface).Files, file => Assert.NotEmpty(Assets.Bytes(file)));
    }

    [Fact]
    public async Task An_old_address_leads_on_without_script_and_is_not_indexed()
    {
        var html = Squeezed(
            await _renderer.MovedAsync(
                new SiteFrame("Kites & wind", "en", [], []),
                ResolvedPage.Of("v", new("Visit <us>", "come/here", "", Document.Empty), _ => null),
                "../../"
            )
        );
        Assert.Contains(
            "<meta http-equiv=\"refresh\" content=\"0; url=../../come/here/\" />",
            html,
            StringComparison.Ordinal
        );
        Assert.Contains("noindex", html, StringComparison.Ordinal);
        Assert.Contains("<a href=\"../../come/here/\">Visit &lt;us&gt;</a>", html, StringComparison.Ordinal);
    }

    [Fact]
    public void Markup_is_laid_out_for_people_and_is_the_same_markup() =>
        Assert.Equal(
            "<figure class=\"fig\">\n  <a href=\"x\">\n    <img alt=\"A “kite”\" src=\"k.jpg\">\n  </a>\n</figure>",
            Readable.Html("<figure class=\"fig\"><a href=\"x\"><img alt=\"A “kite”\" src=\"k.jpg\"></a></figure>")
        );

    [Fact]
    public async Task Columns_hold_their_cells_in_order_and_their_pictures_have_a_cell_s_width()
    {
        var inCell = Figure() with { Size = new FigureSize.OfCell(), Side = HorizontalAlign.Right };
        var columns = new ColumnsBlock(
            "c",
            4,
            Extent.Wide,
            default,
            HorizontalAlign.Left,
            VerticalAlign.Top,
            [
                new("one", Backdrop.None, [inCell, new ParagraphBlock("p", [new TextRun("Words")])]),
                new("two", Backdrop.None, []),
            ]
        );
        var html = Squeezed(await BlockAsync(columns));
        Assert.StartsWith(
            """<div class="cells cells-4 cells-wide" data-block="c"><div class="cell" data-block="one">"""
                + "<div class=\"cell-words\"><figure class=\"fig\" data-block=\"f\"",
            html,
            StringComparison.Ordinal
        );
        Assert.EndsWith(
            """<p data-block="p">Words</p></div></div><div class="cell" data-block="two"><div """
                + """class="cell-words"></div></div></div>""",
            html,
            StringComparison.Ordinal
        );
        // A quarter of 1080 without three gutters of 24; two in a row below; one on phones.
        Assert.Contains(
            """sizes="(min-width: 1184px) 252px, (min-width: 1144px) 528px, """
                + "(min-width: 700px) calc(50vw - 44px), calc(100vw - 32px)\"",
            html,
            StringComparison.Ordinal
        );
        Assert.Equal(
            "",
            Squeezed(
                await BlockAsync(
                    columns with
                    {
                        Cells = [new("one", Backdrop.None, []), new("two", Backdrop.None, [])],
                    }
                )
            )
        );
    }

    [Fact]
    public async Task A_cell_over_a_colour_says_so_and_a_button_without_an_end_is_not_published()
    {
        CellBlock cell = new(
            "one",
            Backdrop.None with
            {
                Colour = Srgb.Black,
                Tone = WordsTone.Light,
                TintStrength = new(0, 0, 128),
            },
            [
                new ButtonBlock("b", "Come & see", "page:home", ButtonKind.Outline),
                new ButtonBlock("w", "Waits", "", ButtonKind.Filled),
            ]
        );
        var html = Squeezed(
            await BlockAsync(
                new ColumnsBlock(
                    "c",
                    2,
                    Extent.Column,
                    new(0, 0, 300),
                    HorizontalAlign.Centre,
                    VerticalAlign.Bottom,
                    [cell]
                )
            )
        );
        Assert.Equal(
            """<div class="cells cells-2" data-block="c" style="--least-desktop:300px"><div """
                + """class="cell over words-light across-centre down-bottom" data-block="one" """
                + """style="--behind:#000000;--tint:#000000;--tint-desktop:0.5"><div class="cell-words">"""
                + """<p class="action" data-block="b"><a class="button button-outline" href="../">Come &amp;"""
                + """ see</a></p></div></div></div>""",
            html
        );
    }

    [Fact]
    public async Task A_picture_in_a_line_stands_among_its_words_and_a_table_of_files_says_what_each_is()
    {
        var html = Squeezed(
            await BlockAsync(
                new ParagraphBlock(
                    "p",
                    [
                        new TextRun("See "),
                        new LinePicture(
                            LinePicture.Of("l", "reel", LineHeight.Letters, new(false, "a reel")),
                            "page:home"
                        ),
                        new TextRun("."),
                    ]
                )
            )
        );
        Assert.Matches(
            """^<p data-block="p">See <a href="../"><span class="in-line in-line-letters" """
                + """data-block="l" style="--wide:1.5"><picture>.*alt="a reel".*</picture></span></a>\.</p>$""",
            html
        );
        Assert.Equal("", Squeezed(await BlockAsync(new FilesBlock("t", [new("gone", "Old")]))));
    }

    [Fact]
    public async Task What_the_desk_draws_in_a_cell_is_what_stands_in_the_page()
    {
        var columns = new ColumnsBlock(
            "c",
            2,
            Extent.Column,
            default,
            HorizontalAlign.Left,
            VerticalAlign.Top,
            [new("one", Backdrop.None, [Figure() with { Size = new FigureSize.OfCell() }])]
        );
        var model = Model(new Document([columns, Figure() with { Id = "g" }]), "visit", "../");
        var (id, html) = Assert.Single(await _renderer.FiguresWithinAsync(model));
        Assert.Equal("f", id);
        Assert.Contains(
            Squeezed(html),
            Squeezed((await _renderer.BlocksAsync(model))[0].Html),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Cells_stand_in_the_style_sheet_as_many_in_a_row_as_they_are_planned_with()
    {
        var css = SiteCss.Write(new PageLayout(new SiteStyle { GutterPx = 18 }));
        var classes = css.Split("@media").Where(part => part.Contains(".cells-2 {", StringComparison.Ordinal)).ToList();
        Assert.Equal(3, classes.Count);
        foreach (var (part, c) in classes.Zip(Core.Responsive.WidthClasses.All))
        {
            for (var n = ColumnsBlock.MinInRow; n <= ColumnsBlock.MaxInRow; n++)
                Assert.Contains(
                    $".cells-{n} {{ grid-template-columns: repeat({PageLayout.InRow(n)[c]}, minmax(0, 1fr)); }}",
                    part,
                    StringComparison.Ordinal
                );
        }
        Assert.Contains(".cells { gap: 18px; }", css, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_page_names_itself_its_site_and_its_neighbours_by_relative_addresses()
    {
        var html = await _renderer.PageAsync(
            Model(new Document([Figure()]), "visit/how-to-find-us", root: "../../"),
            "?v"
        );
        Assert.Contains(
            "<title>Visit · Kites</title>",
            System.Net.WebUtility.HtmlDecode(html),
            StringComparison.Ordinal
        );
        Assert.Contains("href=\"../../assets/site.css?v\"", html, StringComparison.Ordinal);
        Assert.Contains("<a href=\"../../visit/\" aria-current=\"page\">Visit</a>", html, StringComparison.Ordinal);
        Assert.Contains("rel=\"preload\" as=\"image\"", html, StringComparison.Ordinal);
        Assert.DoesNotContain("<script", html, StringComparison.Ordinal);
    }

    [Fact]
    public void The_style_sheet_is_written_from_the_layout_that_slots_are_computed_with()
    {
        var css = SiteCss.Write(new PageLayout(new SiteStyle { ColumnPx = 640, GutterPx = 30 }));
        Assert.Contains("(100% - 640px) / 2", css, StringComparison.Ordinal);
        Assert.Contains(".fig-half, .tablet-half { width: calc(50% - 15px); }", css, StringComparison.Ordinal);
        Assert.Contains(
            ".fig-third, .desktop-third { width: calc(33.333333% - 20px); }",
            css,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task What_arrangements_need_beside_their_pictures_is_small_and_comes_only_with_them()
    {
        static long Packed(params string[] names)
        {
            using var packed = new MemoryStream();
            using (var brotli = new BrotliStream(packed, CompressionLevel.SmallestSize, leaveOpen: true))
                foreach (var name in names)
                    brotli.Write(Assets.Bytes(name));
            return packed.Length;
        }
        Assert.InRange(Packed("slider.js", "larger.js"), 1, 6_000);
        Assert.InRange(Packed(Assets.SetsStyle), 1, 4_000);

        var set = new Arrangement(
            "a",
            "Reels",
            Gallery.Usual with
            {
                OpensLarger = false,
            },
            [new("i", "reel", true, new(false, null), null, new(FigureLinkKind.None))]
        );
        async Task<string[]> FetchedAsync(Block block)
        {
            var html = await _renderer.PageAsync(Model(new Document([block]), "visit", "../"), "?v");
            return
            [
                .. new[] { "sets.css", "slider.js", "larger.js" }.Where(name =>
                    html.Contains(name, StringComparison.Ordinal)
                ),
            ];
        }
        ResolvedArrangement Of(Arrangement one) => new("s", one, SizeRole.Wide);
        Assert.Empty(await FetchedAsync(Figure()));
        Assert.Equal(["sets.css"], await FetchedAsync(Of(set)));
        Assert.Equal(["sets.css", "larger.js"], await FetchedAsync(Of(set with { Gallery = Gallery.Usual })));
        Assert.Equal(["sets.css", "slider.js"], await FetchedAsync(Of(set with { Kind = ArrangementKind.Carousel })));
    }

    private static string Squeezed(string html) => System.Text.RegularExpressions.Regex.Replace(html, @"\s*\n\s*", "");

    private static FigureBlock Figure(
        SizeRole role = SizeRole.Column,
        HorizontalAlign side = HorizontalAlign.Centre,
        bool beside = false,
        CaptionSource caption = CaptionSource.None,
        LinkChoice? link = null,
        AltChoice? alt = null
    ) =>
        new(
            "f",
            "reel",
            new FigureSize.ByRole(role),
            side,
            beside,
            CutChoice.AsIs,
            alt ?? new(false, null),
            new(caption)
        )
        {
            Link = link ?? new(FigureLinkKind.None),
        };

    private async Task<string> BlockAsync(Block block) =>
        (await _renderer.BlocksAsync(Model(new Document([block]), "visit", "../")))[0].Html;

    private static PageModel Model(Document document, string path, string root)
    {
        var plan = PagePlanner.Plan(
            ResolvedPage.Of("visit", new("Visit", path, "", document), _ => null),
            new PlanFacts(new SiteStyle(), new Dictionary<string, PictureFacts> { ["reel"] = Reel }, Site, [])
        );
        var menu = new[] { new MenuEntry("home", "Home", "", ""), new MenuEntry("visit", "Visit", "visit", "") };
        return new(plan, new SiteFrame("Kites", "en", menu, []), new PlainAddresses(), root, IsProof: false);
    }

    private sealed class PlainAddresses : IFileAddresses
    {
        public string AddressOf(PlannedFile file, string root) =>
            $"{root}media/{file.AssetId}-{file.WidthPx}.{file.Format}";

        public IReadOnlyList<IReadOnlyList<PlannedFile>> Offered(PlannedCut cut) =>
            [.. cut.Formats.Select(f => cut.FilesIn(f).ToList())];
    }
}
