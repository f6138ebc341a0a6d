using Dekoro.Core.Choices;
using Dekoro.Core.Content;

namespace Dekoro.Intake.Tests;

public sealed class GalleryReaderTests
{
    private static readonly Uri Page = new("https://kites.example/hall/");

    private static (string Address, string Alt, string Caption, string Link)[] Read(string html)
    {
        var read = GalleryReader.Read(html, Page);
        var byKey = read.Pictures.ToDictionary(p => p.Key);
        return
        [
            .. read
                .Words.Blocks.Cast<FigureBlock>()
                .Select(f =>
                    (
                        ((PictureContent.Remote)byKey[f.AssetId].Content).Address.AbsolutePath,
                        byKey[f.AssetId].Words.Alt,
                        f.Caption.Own,
                        f.Link.Target
                    )
                ),
        ];
    }

    [Theory]
    // A list of links to large files.
    [InlineData(
        """<ul><li><a href="big/a.jpg"><img src="small/a.jpg" alt="A kite"></a></li><li><a href="big/b.jpg">"""
            + """<img src="small/b.jpg"></a></li></ul>""",
        "/hall/big/a.jpg|A kite||",
        "/hall/big/b.jpg|||"
    )]
    // Figures with captions, one leading to a page.
    [InlineData(
        """<div class="row"><figure><a href="/visit"><img src="a.jpg" srcset="a-400.jpg 400w, a-1600.jpg """
            + """1600w"></a><figcaption>The <b>hall</b></figcaption></figure><figure><img src="b.jpg"><figcaption>"""
            + """The dunes</figcaption></figure></div>""",
        "/hall/a-1600.jpg||The hall|https://kites.example/visit",
        "/hall/b.jpg||The dunes|"
    )]
    // Slides that a script would show, with stand-ins and words beside them.
    [InlineData(
        """<div class="slides"><div><img src="data:image/gif;base64,R0lGOD" data-src="a.jpg"><p>First</p>"""
            + """</div><div style="display:none"><img src="data:image/gif;base64,R0lGOD" data-src="b.jpg"><p>"""
            + """Second</p></div></div>""",
        "/hall/a.jpg||First|",
        "/hall/b.jpg||Second|"
    )]
    // A table of pictures, and words round it that are no one's.
    [InlineData(
        """<p>Our kites.</p><table><tr><td><img src="a.jpg" title="Delta"><br>Delta</td><td><img src="b.jpg">"""
            + """<br>Box</td></tr></table><p>More soon.</p>""",
        "/hall/a.jpg|Delta|Delta|",
        "/hall/b.jpg||Box|"
    )]
    public void Pictures_come_in_their_order_as_large_as_they_are_offered_with_their_own_words(
        string html,
        params string[] pictures
    ) => Assert.Equal(pictures, Read(html).Select(p => $"{p.Address}|{p.Alt}|{p.Caption}|{p.Link}"));

    [Fact]
    public void What_acts_what_counts_readers_and_what_cannot_be_reached_is_left_out_with_a_sentence()
    {
        var read = GalleryReader.Read(
            """<a href="javascript:alert(1)"><img src="a.jpg" alt="Kite"></a>"""
                + """<img src="t.gif" width="1" height="1"><img src="file:///C:/b.jpg" alt="Box">""",
            Page
        );
        Assert.Single(read.Pictures);
        Assert.Equal(FigureLinkKind.None, ((FigureBlock)read.Words.Blocks.Single()).Link.Kind);
        Assert.Equal(3, read.LeftOut.Length);
    }
}
