using CsCheck;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Site;

namespace Dekoro.Core.Tests.Planning;

public sealed class PlaceNameTests
{
    private static readonly PageLayout Layout = new(new SiteStyle());

    [Fact]
    public void A_cell_is_found_again_by_its_name() =>
        Gen.Select(Gen.Int[ColumnsBlock.MinInRow, ColumnsBlock.MaxInRow], Gen.Enum<Extent>(), Gen.Double[300, 2600])
            .Sample(
                (inRow, extent, viewport) =>
                    Assert.Equal(
                        Layout.CellOf(inRow, extent).At(viewport),
                        PlaceName.SlotOf(PlaceName.Of(inRow, extent), Layout)!.At(viewport)
                    )
            );

    [Theory]
    [InlineData("half", 348)]
    [InlineData("Wide", 1080)]
    [InlineData("320", 320)]
    [InlineData("cell-4-wide", 252)]
    [InlineData("cell-2-column", 348)]
    public void Roles_widths_and_cells_are_places(string written, double cssPxAt1280) =>
        Assert.Equal(cssPxAt1280, PlaceName.SlotOf(written, Layout)!.At(1280), 6);

    [Theory]
    [InlineData("")]
    [InlineData("huge")]
    [InlineData("7")]
    [InlineData("-320")]
    [InlineData("cell")]
    [InlineData("cell-1-wide")]
    [InlineData("cell-7-wide")]
    [InlineData("cell-4-9")]
    [InlineData("cell-4-wide-x")]
    public void What_names_no_place_is_none(string written) => Assert.Null(PlaceName.SlotOf(written, Layout));
}
