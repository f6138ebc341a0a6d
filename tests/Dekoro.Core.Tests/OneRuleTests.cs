using System.Collections.Immutable;
using System.Text.Json;
using CsCheck;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;
using Dekoro.Core.Tests.Planning;

namespace Dekoro.Core.Tests;

/// <summary>What is asked in more than one place has one answer.</summary>
public sealed class OneRuleTests
{
    [Fact]
    public void A_text_that_the_library_holds_can_stand_in_a_place_of_its_own()
    {
        var longest = new string('a', PictureMetadata.MaxChars);
        Assert.Null(new PictureMetadata("Kite", Alt: longest).Refusal());
        var figure = Assert.Single(Read(longest).Document!.Figures);
        Assert.Equal(longest, figure.Alt.Own);
        Assert.NotNull(new PictureMetadata("Kite", Alt: longest + "a").Refusal());
        Assert.NotEmpty(Read(longest + "a").Errors);
    }

    [Fact]
    public void No_class_of_screen_begins_beyond_the_widest_that_is_planned_for()
    {
        var values = StyleValues.Of(new SiteStyle());
        bool IsTaken(int fromPx) =>
            (values with { DesktopFromPx = fromPx, ReferencePx = values.ReferencePx with { Desktop = fromPx } })
                .Read(new SiteStyle())
                .Errors.IsEmpty;
        Assert.True(IsTaken(Screens.WidestPx));
        Assert.False(IsTaken(Screens.WidestPx + 1));
    }

    [Fact]
    public void Where_a_figure_has_no_side_to_choose_every_side_is_drawn_the_same_and_text_beside_it_is_not_heeded() =>
        Gen.Select(Gen.Int[FigureSize.ByPx.Min, FigureSize.ByPx.Max], Gen.Enum<HorizontalAlign>())
            .Sample(
                (px, side) =>
                {
                    var layout = new PageLayout(new SiteStyle());
                    var figure = Sample.Figure() with
                    {
                        Size = new FigureSize.ByPx(px),
                        Side = side,
                        TextBeside = true,
                    };
                    var choices = layout.ChoicesOf(figure);
                    Assert.Equal(px <= layout.Style.ColumnPx, choices.Side);
                    if (!choices.Beside)
                        Assert.Equal(new PerClass<bool>(false, false, false), layout.BesideOf(figure));
                    Assert.False(layout.ChoicesOn(figure, WidthClass.Phone).Beside);
                    // At another size on one class of screen it has that size's choices there.
                    var wide = new FigureException { Size = new FigureSize.ByRole(SizeRole.Edge) };
                    var excepted = figure with { Exceptions = new(null, wide, null) };
                    Assert.False(layout.ChoicesOn(excepted, WidthClass.Tablet).Side);
                    Assert.Equal(choices, layout.ChoicesOn(excepted, WidthClass.Desktop));
                }
            );

    [Fact]
    public void A_round_is_of_the_slides_that_visitors_see()
    {
        var items = new[] { "a", "b", "c" }
            .Select(id => new ArrangementItem(id, id, true, new(false, null), null, new(FigureLinkKind.None)))
            .ToImmutableArray();
        var set = new Arrangement(
            "s",
            "S",
            Gallery.Usual,
            [items[0] with { IsDue = false }, items[1] with { IsOn = false }, items[2]]
        )
        {
            Kind = ArrangementKind.Slider,
        };
        var timing = Timing.Of(set, _ => "")!;
        Assert.Equal(["c"], timing.Items);
        Assert.Equal(timing.Items.Length, timing.StaysMs.Length);
    }

    [Theory]
    [InlineData("media/kites")]
    [InlineData("assets")]
    [InlineData("Über uns")]
    public void An_address_that_no_page_can_have_is_refused_in_a_sentence(string path) =>
        Assert.Matches("choose another|holds small letters", PagePath.ErrorOf(path));

    private static DocumentReading Read(string alt) =>
        DocumentReader.Read(
            JsonSerializer.SerializeToElement(
                new
                {
                    type = "doc",
                    content = new[]
                    {
                        new
                        {
                            type = "figure",
                            attrs = new
                            {
                                id = "f",
                                asset = "a",
                                alt,
                            },
                        },
                    },
                }
            )
        );
}
