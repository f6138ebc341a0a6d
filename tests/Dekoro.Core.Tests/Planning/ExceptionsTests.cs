using CsCheck;
using Dekoro.Core.Checks;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;
using static Dekoro.Core.Tests.Planning.Sample;

namespace Dekoro.Core.Tests.Planning;

public sealed class ExceptionsTests
{
    private static readonly PerClass<bool> Everywhere = new(true, true, true);

    private static FigureBlock With(
        FigureBlock figure,
        FigureException? phone = null,
        FigureException? tablet = null,
        FigureException? desktop = null
    ) => figure with { Exceptions = new(phone, tablet, desktop) };

    [Fact]
    public void A_figure_without_exceptions_shows_one_cut_everywhere()
    {
        var figure = Plan(Page(Figure()), [Picture()]).Figures["f1"];
        Assert.Equal(Everywhere, Assert.Single(figure.Cuts).On);
    }

    [Fact]
    public void A_size_of_its_own_at_one_width_leaves_the_cut_and_its_files_one()
    {
        var plan = Plan(
            Page(With(Figure(role: SizeRole.Half), tablet: new(Size: new FigureSize.ByPx(300)))),
            [Picture()]
        );
        var cut = Assert.Single(plan.Figures["f1"].Cuts);
        Assert.Equal((358, 300, 348), (cut.Slot.At(390), cut.Slot.At(820), cut.Slot.At(1280)));
    }

    [Fact]
    public void Another_picture_on_phones_has_files_fit_and_room_of_its_own_there_and_nowhere_else()
    {
        var plan = Plan(
            Page(
                With(
                    Figure(role: SizeRole.Wide),
                    phone: new(AssetId: "small", Cut: new CutChoice(AspectRatio.Of(1, 1)))
                )
            ),
            [Picture(), Picture("small", 400, 600)]
        );
        var figure = plan.Figures["f1"];
        Assert.Equal(["kite", "small"], figure.Cuts.Select(c => c.Picture.Id));
        Assert.Equal(new(true, false, false), figure.Cuts[1].On);
        Assert.Equal(new Cut(0, 100, 400, 400), figure.Cuts[1].Cut);
        Assert.Equal((0, 358), (figure.Cuts[0].Slot.At(390), figure.Cuts[1].Slot.At(390)));
        Assert.Equal((FitWord.Coarse, FitWord.Sharp), (figure.Fits.Phone!.Word, figure.Fits.Desktop!.Word));
        Assert.True(figure.Cuts[0].Ladder.WidthsPx[0] > 400, "no phone asks for the picture of the wider screens");
        Assert.All(figure.Files.Where(f => f.AssetId == "small"), f => Assert.True(f.WidthPx <= 400));
    }

    [Fact]
    public void Where_a_picture_is_hidden_it_weighs_nothing_and_takes_no_room_in_the_first_screen()
    {
        var tall = Picture("tall", 1000, 4000);
        var plan = Plan(Page(With(Figure("f1", "tall"), phone: new(Hidden: true)), Figure("f2")), [tall, Picture()]);
        Assert.Null(plan.Figures["f1"].Fits.Phone);
        Assert.Null(plan.Figures["f1"].On(WidthClass.Phone));
        Assert.Equal(Loading.First, plan.Figures["f2"].Loading);
        Assert.Equal(
            Loading.Later,
            Plan(Page(Figure("f1", "tall"), Figure("f2")), [tall, Picture()]).Figures["f2"].Loading
        );
        Assert.Equal(plan.Figures["f2"].Fits.Phone!.ExpectedBytes, plan.Weights.Phone.All, 6);
    }

    [Fact]
    public void Where_a_cut_is_not_shown_nothing_is_said_of_its_fit_there_and_what_stands_elsewhere_is_the_usual()
    {
        var picture = Picture(width: 1200, height: 1200);
        var figure = With(Figure(role: SizeRole.Wide), desktop: new(AssetId: "reel"));
        var plan = Plan(Page(figure), [picture, Picture("reel")]);
        var through = plan
            .Layout.Standing(new LaidPage(new Document([figure]), _ => null, plan.Layout))
            .Select(s => TrialPlacement.Of(picture, s.Box, CutChoice.AsIs, plan.Layout))
            .ToList();
        Assert.Equal((true, true), (through[0].Fits.Phone is null, through[0].Fits.Desktop is not null));
        Assert.Equal((true, true), (through[1].Fits.Phone is not null, through[1].Fits.Desktop is null));
        Assert.Equal(FitWord.Soft, through[1].Word);
        Assert.Equal(("reel", "kite"), (plan.Figures["f1"].Main.Picture.Id, plan.Figures["f1"].Usual.Picture.Id));
    }

    [Fact]
    public void A_picture_chosen_for_one_width_that_is_gone_gives_way_to_the_usual_one_and_says_so()
    {
        var plan = Plan(Page(With(Figure(), tablet: new(AssetId: "gone"))), [Picture()]);
        Assert.Equal(Everywhere, Assert.Single(plan.Figures["f1"].Cuts).On);
        Assert.Contains(PageChecks.Of(plan), n =>
            n.BlockId == "f1" && n.Sentence.Contains("usual one", StringComparison.Ordinal) && !n.Blocks
        );
    }

    [Fact]
    public void Text_beside_is_judged_by_the_size_and_side_at_each_width()
    {
        var plan = Plan(
            Page(
                With(
                    Figure(role: SizeRole.Third, side: HorizontalAlign.Right, beside: true),
                    tablet: new(Size: new FigureSize.ByRole(SizeRole.Column)),
                    desktop: new(TextBeside: false)
                ),
                Text("t", "Words")
            ),
            [Picture()]
        );
        Assert.Equal(new(false, false, false), plan.Figures["f1"].Beside);
        Assert.Equal(
            new(false, true, true),
            Plan(
                Page(
                    With(
                        Figure(role: SizeRole.Column, side: HorizontalAlign.Right, beside: true),
                        tablet: new(Size: new FigureSize.ByRole(SizeRole.Third)),
                        desktop: new(Size: new FigureSize.ByRole(SizeRole.Third))
                    )
                ),
                [Picture()]
            )
                .Figures["f1"]
                .Beside
        );
    }

    [Fact]
    public void A_cut_drawn_by_hand_wins_and_goes_with_the_picture_it_was_drawn_on()
    {
        var drawn = Figure(shape: "1:1") with
        {
            Cut = new CutChoice(AspectRatio.Of(1, 1), new("kite", new FocalRegion(0.25, 0.5, 0.5, 0.25))),
        };
        Assert.Equal(new Cut(1000, 1500, 2000, 750), Plan(Page(drawn), [Picture()]).Figures["f1"].Main.Cut);
        Assert.Equal(
            new Cut(0, 0, 300, 300),
            Plan(Page(drawn.WithAsset("kite", "reel")), [Picture("reel", 300, 300)]).Figures["f1"].Main.Cut
        );
        Assert.Equal(drawn, drawn.WithAsset("kite", "reel").WithAsset("reel", "kite"));
        Assert.Equal(
            new Cut(0, 0, 300, 300),
            Plan(Page(With(drawn, phone: new(AssetId: "reel"))), [Picture(), Picture("reel", 300, 300)])
                .Figures["f1"]
                .On(WidthClass.Phone)!
                .Cut
        );
    }

    [Fact]
    public void A_swap_everywhere_reaches_pictures_that_stand_at_one_width_only()
    {
        var page = new Document([With(Figure(alt: new(false, "Own words")), phone: new(AssetId: "reel"))]);
        var swapped = Assert.Single(
            Swapping.Swap(page, "reel", "knot", new Dictionary<string, string?> { ["f1"] = null }).Figures
        );
        Assert.Equal(
            ("kite", "knot", "Own words"),
            (swapped.AssetId, swapped.Exceptions.Phone!.AssetId, swapped.Alt.Own)
        );
    }

    [Fact]
    public void At_every_width_exactly_one_cut_stands_as_wide_as_the_figure_says_or_none_where_it_is_hidden() =>
        Gen.Select(Gen.Int[0, 63].Array[3], Gen.Enum<SizeRole>().Array[4], Gen.Int[320, 2560])
            .Sample(
                (which, roles, viewport) =>
                {
                    var exceptions = which
                        .Select(
                            (w, i) =>
                                new FigureException(
                                    (w & 1) > 0 && i > 0,
                                    (w & 2) > 0 ? "reel" : null,
                                    (w & 4) > 0 ? new FigureSize.ByRole(roles[i]) : null,
                                    Cut: (w & 8) > 0 ? new CutChoice(AspectRatio.Of(1, 1)) : null
                                )
                        )
                        .ToArray();
                    var figure = With(Figure(role: roles[3]), exceptions[0], exceptions[1], exceptions[2]);
                    var plan = Plan(Page(figure), [Picture(), Picture("reel", 800, 600)]);
                    var c = plan.Layout.Style.Classes.ClassOf(viewport);
                    var shown = plan.Figures["f1"].Cuts.Where(cut => cut.Slot.At(viewport) > 0).ToList();
                    Assert.Equal(figure.IsHiddenOn(c) ? 0 : 1, shown.Count);
                    if (shown.Count == 0)
                        return;
                    Assert.Same(plan.Figures["f1"].On(c), shown[0]);
                    Assert.Equal(figure.On(c).AssetId, shown[0].Picture.Id);
                    Assert.Equal(plan.Layout.SlotOf(figure.On(c).Size).At(viewport), shown[0].Slot.At(viewport), 9);
                }
            );
}
