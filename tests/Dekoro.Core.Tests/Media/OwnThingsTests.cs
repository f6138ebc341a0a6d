using CsCheck;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Core.Publication;

namespace Dekoro.Core.Tests.Media;

/// <summary>Words under a site's own columns, and the address that a picture has of its own.</summary>
public sealed class OwnThingsTests
{
    private static readonly Gen<KeyValuePair<string, string>> Entry = Gen.Select(
        Gen.OneOfConst("Maker", "maker", " Maker ", "Inventory number", "凧師"),
        Gen.OneOfConst("", " ", "Hana", " Hana ", "WS-17"),
        KeyValuePair.Create
    );

    [Fact]
    public void The_last_word_said_under_a_column_stands_whatever_its_capitals_and_an_empty_one_takes_it_out() =>
        Entry
            .Array[0, 8]
            .Sample(said =>
            {
                var own = CustomFields.None;
                foreach (var one in said)
                    own = own.With([one]);
                Assert.Equal(CustomFields.Of(said), own);
                Assert.All(own, w => Assert.Equal(w.Value.Trim(), w.Value));
                foreach (var name in said.Select(s => s.Key.Trim()))
                {
                    var last = said.Last(s => s.Key.Trim().Equals(name, StringComparison.OrdinalIgnoreCase))
                        .Value.Trim();
                    Assert.Equal(last.Length > 0 ? last : null, own.GetValueOrDefault(name));
                }
                // Saying it all again changes nothing, not even which value it is.
                Assert.Same(own, own.With(own));
                Assert.Same(own, own.With(null));
            });

    [Fact]
    public void Words_of_pictures_are_equal_where_their_own_are() =>
        Gen.Select(Entry.Array[0, 4], Entry.Array[0, 4])
            .Sample(
                (a, b) =>
                {
                    var (one, two) = (
                        new PictureMetadata("Kite") { Own = CustomFields.Of(a) },
                        new PictureMetadata("Kite") { Own = CustomFields.Of(b) }
                    );
                    var same =
                        one.Own.Count == two.Own.Count
                        && one.Own.All(w =>
                            two.Own.TryGetValue(w.Key, out var other)
                            && other == w.Value
                            && two.Own.Keys.Contains(w.Key)
                        );
                    Assert.Equal(same, one == two);
                    if (same)
                        Assert.Equal(one.GetHashCode(), two.GetHashCode());
                }
            );

    [Theory]
    [InlineData("Maker", true)]
    [InlineData("Who's it by", true)]
    [InlineData("製作者", true)]
    [InlineData("", false)]
    [InlineData(" Maker", false)]
    [InlineData("17", false)]
    [InlineData("a,b", false)]
    [InlineData("<script>", false)]
    [InlineData("folder:x", false)]
    public void A_column_is_named_by_what_no_table_page_or_search_could_mistake(string name, bool isName) =>
        Assert.Equal(isName, CustomFields.IsName(name));

    [Fact]
    public void A_column_s_name_ends_somewhere()
    {
        Assert.True(CustomFields.IsName(new string('m', CustomFields.MaxName)));
        Assert.False(CustomFields.IsName(new string('m', CustomFields.MaxName + 1)));
    }

    private static PictureFacts Picture(
        string title,
        PictureFormat format = PictureFormat.Jpeg,
        bool alpha = false,
        int width = 4000
    ) =>
        new(
            "id",
            new("a.jpg", format, alpha, 1, 1),
            new PixelSize(width, width / 2),
            BytesModel.Unmeasured(0.5),
            null,
            null,
            new PictureMetadata(title)
        );

    [Fact]
    public void No_two_pictures_ever_have_one_address_and_it_is_plain_ascii() =>
        Gen.OneOfConst("The museum", "the  museum!", "Музей", "—", "The museum 2")
            .Array[1, 12]
            .Sample(titles =>
            {
                var taken = new HashSet<string>(StringComparer.Ordinal);
                foreach (var title in titles)
                {
                    var address = OwnAddress.For(Picture(title), taken);
                    Assert.Matches("^pictures/[a-z0-9]+(-[a-z0-9]+)*\\.jpg$", address);
                    Assert.True(taken.Add(address));
                }
            });

    [Theory]
    [InlineData(PictureFormat.Jpeg, false, "jpg")]
    [InlineData(PictureFormat.Tiff, false, "jpg")]
    [InlineData(PictureFormat.Png, true, "png")]
    [InlineData(PictureFormat.Svg, true, "svg")]
    public void The_address_ends_as_the_file_that_is_there(PictureFormat format, bool alpha, string ending)
    {
        var picture = Picture("Kite", format, alpha);
        Assert.Equal("pictures/kite." + ending, OwnAddress.For(picture, new HashSet<string>()));
        var file = OwnAddress.FileOf(picture);
        Assert.Equal((Cut.Whole(picture.Size), format == PictureFormat.Svg), (file.Cut, file.IsUnchanged));
    }

    [Fact]
    public void What_is_there_is_never_blown_up_and_never_wider_than_the_largest_file_of_a_page() =>
        Gen.Int[2, 9000]
            .Sample(width =>
                Assert.Equal(
                    Math.Min(width, Lightbox.WidthPxOf(LightboxSize.Full)),
                    OwnAddress.FileOf(Picture("Kite", width: width)).WidthPx
                )
            );
}
