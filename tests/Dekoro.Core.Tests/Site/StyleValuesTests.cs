using CsCheck;
using Dekoro.Core.Colour;
using Dekoro.Core.Layout;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;

namespace Dekoro.Core.Tests.Site;

public sealed class StyleValuesTests
{
    private static readonly StyleValues Standard = StyleValues.Of(new SiteStyle());

    private static string[] FieldsRefused(StyleValues values) =>
        [.. values.Read(new SiteStyle()).Errors.Select(e => e.Field)];

    [Fact]
    public void A_style_written_out_reads_as_itself()
    {
        var read = Standard.Read(new SiteStyle()).Style!;
        Assert.Equal(StyleValues.Of(read) with { Shapes = [] }, Standard with { Shapes = [] });
        Assert.Equal(Standard.Shapes, read.Shapes);
    }

    [Theory]
    [InlineData(320, 1184, "tabletFromPx")]
    [InlineData(700, 700, "desktopFromPx")]
    [InlineData(900, 800, "desktopFromPx")]
    [InlineData(700, 5000, "desktopFromPx")]
    public void Width_classes_that_cross_are_refused_with_what_is_allowed(int tablet, int desktop, string field) =>
        Assert.Equal(field, FieldsRefused(Standard with { TabletFromPx = tablet, DesktopFromPx = desktop })[0]);

    [Fact]
    public void A_class_is_looked_at_at_a_width_of_its_own() =>
        Assert.Equal(
            ["referencePx.phone", "referencePx.desktop"],
            FieldsRefused(Standard with { ReferencePx = new(700, 820, 1183) })
        );

    [Fact]
    public void Every_value_that_is_no_good_is_named_and_the_others_are_not()
    {
        var bad = Standard with
        {
            Name = " ",
            Language = "english please",
            PaddingPx = new(90, 32, double.NaN),
            ColumnPx = 900,
            WidePx = 800,
            LineHeight = 0,
            Colours = new(Ink: "black"),
            Shapes = ["3:2", "wide"],
        };
        Assert.Equal(
            [
                "name",
                "language",
                "paddingPx.desktop",
                "paddingPx.phone",
                "widePx",
                "lineHeight",
                "colours.ink",
                "shapes",
            ],
            FieldsRefused(bad)
        );
        Assert.All(bad.Read(new SiteStyle()).Errors, e => Assert.EndsWith(".", e.Sentence, StringComparison.Ordinal));
    }

    [Fact]
    public void What_is_missing_is_said_and_breaks_nothing()
    {
        StyleValues[] missing =
        [
            Standard with
            {
                Name = null!,
            },
            Standard with
            {
                Colours = null!,
            },
            Standard with
            {
                Shapes = default,
            },
            Standard with
            {
                Colours = new(Ink: null!),
            },
            Standard with
            {
                Shapes = [null!],
            },
        ];
        Assert.All(missing, values => Assert.NotEmpty(values.Read(new SiteStyle()).Errors));
    }

    [Fact]
    public void Colours_are_told_by_the_contrast_of_words_over_them()
    {
        var pairs = StyleValues.PairsOf(new SiteColours(Ink: "#777777", Paper: "#ffffff"));
        Assert.Equal(4.48, pairs[0].Contrast.Ratio, 2);
        Assert.False(pairs[0].Contrast.IsEnough);
        Assert.All(StyleValues.PairsOf(new SiteColours()), p => Assert.True(p.Contrast.IsEnough, p.What));
    }

    [Fact]
    public void Whatever_is_read_lays_out_with_no_slot_below_nothing_and_none_wider_than_its_screen() =>
        Gen.Select(
                Gen.Int[321, 2000],
                Gen.Int[321, 2600],
                Gen.Double[0, 130],
                Gen.Double[200, 1700],
                Gen.Double[200, 2500],
                Gen.Double[0, 90]
            )
            .Sample(
                (tablet, desktop, padding, column, wide, gutter) =>
                {
                    var values = Standard with
                    {
                        TabletFromPx = tablet,
                        DesktopFromPx = desktop,
                        ReferencePx = new(320, tablet, desktop),
                        PaddingPx = new(padding, padding, padding),
                        ColumnPx = column,
                        WidePx = wide,
                        GutterPx = gutter,
                    };
                    if (values.Read(new SiteStyle()).Style is not { } style)
                        return;
                    var layout = new PageLayout(style);
                    foreach (var viewport in new[] { 320, tablet - 1, tablet, desktop - 1, desktop, 2560 })
                    {
                        Assert.InRange(layout.Column.At(viewport), 1, viewport);
                        Assert.InRange(layout.Wide.At(viewport), layout.Column.At(viewport), viewport);
                        foreach (var c in WidthClasses.All)
                            Assert.True(style.Classes.ClassOf(style.Classes.ReferencePx[c]) == c);
                    }
                }
            );
}
