using System.Text;
using System.Xml;

namespace Dekoro.Imaging.Tests;

public sealed class SvgCleanerTests
{
    [Theory]
    [InlineData("<script>alert(1)</script>")]
    [InlineData("<circle r=\"3\" onclick=\"alert(1)\"/>")]
    [InlineData("<a href=\"javascript:alert(1)\"><circle r=\"3\"/></a>")]
    [InlineData("<a xlink:href=\"java&#10;script:alert(1)\"><circle r=\"3\"/></a>")]
    [InlineData("<image href=\"https://elsewhere.example/x.png\"/>")]
    [InlineData("<use href=\"https://elsewhere.example/x.svg#a\"/>")]
    [InlineData("<foreignObject><p xmlns=\"http://www.w3.org/1999/xhtml\">x</p></foreignObject>")]
    [InlineData("<style>@import url(https://elsewhere.example/x.css);</style>")]
    [InlineData("<rect width=\"4\" height=\"4\" style=\"fill:url(https://elsewhere.example/x#a)\"/>")]
    [InlineData(
        "<use href=\"data:image/svg+xml;base64,PHN2ZyBpZD0iZWxzZXdoZXJlIj4=#a\" "
            + "xlink:href=\"data:image/svg+xml,elsewhere#a\"/>"
    )]
    [InlineData("<image href=\"data:image/svg+xml,elsewhere\"/>")]
    [InlineData("<style>@\\69mport 'https://elsewhere.example/x.css';</style>")]
    [InlineData("<rect width=\"4\" height=\"4\" style=\"fill:u\\72l(https://elsewhere.example/x#a)\"/>")]
    [InlineData("<set attributeName=\"href\" to=\"javascript:alert(1)\"/>")]
    [InlineData("<iframe xmlns=\"http://www.w3.org/1999/xhtml\" src=\"x\"/>")]
    public void What_acts_or_fetches_is_taken_out_and_said(string inside)
    {
        var (cleaned, tookOut) = Clean(inside);
        Assert.True(tookOut);
        Assert.DoesNotMatch("(?i)script|onclick|elsewhere|foreignObject|iframe", cleaned);
    }

    [Fact]
    public void A_link_goes_and_what_stands_in_it_stays()
    {
        var (cleaned, tookOut) = Clean(
            "<a href=\"https://elsewhere.example/\" target=\"_top\"><g><rect width=\"7\" height=\"7\" "
                + "onclick=\"x\"/></g></a>"
        );
        Assert.True(tookOut);
        Assert.Contains("width=\"7\"", cleaned, StringComparison.Ordinal);
        Assert.DoesNotMatch("<a|elsewhere|onclick|_top", cleaned);
    }

    [Fact]
    public void What_draws_is_kept_as_it_is()
    {
        var (cleaned, tookOut) = Clean(
            """<defs><linearGradient id="g"><stop offset="0" stop-color="#fff"/></linearGradient></defs>"""
                + """<rect width="4" height="4" fill="url(#g)"/><use href="#g"/><text x="1">Kite</text>"""
        );
        Assert.False(tookOut);
        Assert.Contains("url(#g)", cleaned, StringComparison.Ordinal);
        Assert.Contains("Kite", cleaned, StringComparison.Ordinal);
    }

    [Fact]
    public void Cleaning_what_was_cleaned_changes_nothing()
    {
        var once = Clean("<script/><circle r=\"3\" onload=\"x\"/>").Cleaned;
        var (twice, tookOut) = SvgCleaner.Clean(new MemoryStream(Encoding.UTF8.GetBytes(once)));
        Assert.False(tookOut);
        Assert.Equal(once, Encoding.UTF8.GetString(twice));
    }

    [Fact]
    public void Entities_that_grow_are_not_followed() =>
        Assert.ThrowsAny<XmlException>(() =>
            SvgCleaner.Clean(
                new MemoryStream(
                    Encoding.UTF8.GetBytes(
                        """<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">"""
                            + """<!ENTITY c "&b;&b;&b;&b;&b;&b;&b;&b;">]><svg xmlns="http://www.w3.org/2000/svg">"""
                            + """<text>&c;</text></svg>"""
                    )
                )
            )
        );

    private static (string Cleaned, bool TookOut) Clean(string inside)
    {
        var svg =
            """<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 """
            + $"""0 9 9">{inside}<circle cx="4" cy="4" r="2"/></svg>""";
        var (bytes, tookOut) = SvgCleaner.Clean(new MemoryStream(Encoding.UTF8.GetBytes(svg)));
        var text = Encoding.UTF8.GetString(bytes);
        Assert.Contains("r=\"2\"", text, StringComparison.Ordinal);
        return (text, tookOut);
    }
}
