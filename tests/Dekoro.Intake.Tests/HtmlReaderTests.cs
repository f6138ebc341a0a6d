using CsCheck;
using Dekoro.Core.Content;

namespace Dekoro.Intake.Tests;

public sealed class HtmlReaderTests
{
    private static readonly Uri Page = new("https://kites.example/news/lanterns.html");

    [Fact]
    public void Words_and_pictures_keep_their_order()
    {
        var read = HtmlReader.Read(
            """
            <title>Lantern night</title><h1>Lanterns</h1><p>Before <img src="a.jpg" alt="Two lanterns"> between</p>
            <ul><li>One</li><li>Two <b>bold</b></li></ul>
            <figure><img src="/b.png" alt="The pier"><figcaption>The pier  at dusk</figcaption></figure>
            <p>After, with a <a href="visit.html">link</a>.</p>
            """,
            Page
        );
        Assert.Equal("Lantern night", read.Title);
        Assert.Equal(
            [
                "H2 Lanterns",
                "P Before",
                "F p1",
                "P between",
                "L One|Two bold",
                "F p2 The pier at dusk",
                "P After, with a link.",
            ],
            Shape(read)
        );
        Assert.Equal(["Two lanterns", "The pier"], read.Pictures.Select(p => p.Words.Alt));
        Assert.Equal(
            [new Uri("https://kites.example/news/a.jpg"), new Uri("https://kites.example/b.png")],
            read.Pictures.Select(Address)
        );
        Assert.Contains(Runs(read), r => r is { Text: "link", Link: "https://kites.example/news/visit.html" });
        Assert.Contains(Runs(read), r => r is { Text: "bold", Bold: true });
    }

    [Theory]
    [InlineData("One<br>two<br><br>Three", "P One⏎two", "P Three")]
    [InlineData("<div>One</div><div><br></div><div>Two</div>", "P One", "P Two")]
    [InlineData(
        "<table><tr><td>Saturday</td><td>18:00</td></tr><tr><td>Sunday</td><td>17:00</td></tr></table>",
        "P Saturday · 18:00",
        "P Sunday · 17:00"
    )]
    [InlineData("<h3>Deep</h3><h5>Deeper</h5><p>x</p>", "H2 Deep", "H4 Deeper", "P x")]
    [InlineData("<p>Shown</p><p style='display: none'>Not shown</p><p hidden>Nor this</p><!-- nor this -->", "P Shown")]
    [InlineData("<p>مهرجان الطائرات</p><p>凧の博物館</p>", "P مهرجان الطائرات", "P 凧の博物館")]
    [InlineData("<blockquote><p>Said</p><h2>Loudly</h2></blockquote>", "Q Said|Loudly")]
    public void Markup_becomes_the_pieces_a_person_would_have_typed(string html, params string[] pieces) =>
        Assert.Equal(pieces, Shape(HtmlReader.Read(html)));

    [Fact]
    public void What_acts_is_not_read_and_what_leads_nowhere_is_said()
    {
        var read = HtmlReader.Read(
            """
            <script>alert(1)</script><style>p{color:red}</style><p
            onclick="alert(2)">Text <a href="javascript:alert(3)">press</a>
            <a href="data:text/html,x">this</a></p><iframe src="https://other.example"></iframe>
            <form><input value="secret"><p>asked</p></form>
            <svg><script>alert(4)</script></svg><p><img src="file:///C:/me/a.jpg"
            alt="Mine"><img src="b.jpg" alt="Near"></p>
            """
        );
        Assert.Equal(["P Text press this"], Shape(read));
        Assert.All(Runs(read), r => Assert.Null(r.Link));
        Assert.Empty(read.Pictures);
        Assert.Equal(
            [
                "The link on “press”",
                "The link on “this”",
                "What stands in a frame",
                "A drawing in the text",
                "Mine",
                "Near",
            ],
            read.LeftOut.Select(l => l.Name)
        );
        Assert.All(read.LeftOut, l => Assert.EndsWith(".", l.Sentence, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("<div>", 40_000)]
    [InlineData("<font color=1>", 15_000)]
    [InlineData("<b><p>", 20_000)]
    [InlineData("<table><tr><td>", 20_000)]
    [InlineData("< <div a=\"x\">", 20_000)]
    [InlineData("<ul><li>", 500_000)]
    [InlineData("<blockquote>", 600_000)]
    [InlineData("<i></b>", 500_000)]
    public void What_is_nested_without_end_is_read_or_refused_in_a_sentence_and_its_words_are_there(
        string tags,
        int times
    )
    {
        var html = "<p>Before.</p>" + string.Concat(Enumerable.Repeat(tags, times)) + "In the deep.";
        try
        {
            var read = HtmlReader.Read(
                html.Length > HtmlReader.MaxCharacters ? html[^HtmlReader.MaxCharacters..] : html
            );
            Assert.Contains("In the deep.", string.Concat(Shape(read)), StringComparison.Ordinal);
        }
        catch (UnreadableException e)
        {
            Assert.EndsWith("take the part that is needed.", e.Message, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void Tags_that_nest_no_deeper_than_people_write_stay_as_they_are() =>
        Gen.OneOfConst(
                "<div>",
                "</div>",
                "<p>",
                "<b>",
                "</b>",
                "<!-- > -->",
                "<script>if (a<b) </script>",
                "x < y",
                "<img alt='a>b'>",
                "<ul><li>",
                "</ul>",
                " words "
            )
            .Array[0, 300]
            .Select(string.Concat)
            .Sample(html => Assert.Equal(html, HtmlDepth.Cut(html, 500)));

    [Fact]
    public void Whatever_is_written_no_tag_stands_deeper_than_is_let_through_and_no_word_is_lost() =>
        Gen.OneOfConst("<div>", "</div>", "<span>", "</span>", "w ", "</x>")
            .Array[0, 400]
            .Select(string.Concat)
            .Sample(html =>
            {
                var cut = HtmlDepth.Cut(html, 7);
                Assert.Equal(html.Count(c => c == 'w'), cut.Count(c => c == 'w'));
                var document = new AngleSharp.Html.Parser.HtmlParser().ParseDocument(cut);
                Assert.All(document.QuerySelectorAll("div,span"), e => Assert.InRange(Ancestors(e), 0, 7));
            });

    private static int Ancestors(AngleSharp.Dom.IElement element) =>
        element.ParentElement is { } parent ? Ancestors(parent) + (parent.LocalName is "div" or "span" ? 1 : 0) : 0;

    [Fact]
    public void A_pixel_that_tells_on_the_reader_is_neither_taken_nor_fetched()
    {
        var read = HtmlReader.Read(
            "<p>Hello</p><img src='https://count.example/open.gif?who=7' width=1 height=1>",
            Page
        );
        Assert.Empty(read.Pictures);
        Assert.Contains("neither fetched nor taken", Assert.Single(read.LeftOut).Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_picture_written_into_the_text_comes_with_it_and_one_that_stands_twice_is_one()
    {
        var read = HtmlReader.Read(
            "<img src='data:image/gif;base64,R0lGODlhAQABAAAAACw='><img src='a.jpg'><img src='a.jpg'><img "
                + "src='data:image/png;base64,!!'>",
            Page
        );
        var bytes = Assert.IsType<PictureContent.AtHand>(read.Pictures[0].Content);
        using (var stream = bytes.Open())
            Assert.Equal((byte)'G', stream.ReadByte());
        Assert.Equal(2, read.Pictures.Length);
        Assert.Equal(["p1", "p2", "p2"], read.Words.Figures.Select(f => f.AssetId));
        Assert.Single(read.LeftOut);
    }

    [Fact]
    public void Lists_inside_lists_deeper_than_a_page_goes_keep_their_words_as_paragraphs()
    {
        var html = string.Concat(Enumerable.Range(0, 30).Select(i => $"<ul><li>word{i}"));
        var words = HtmlReader.Read(html, null).Words;
        var written = System.Text.Json.JsonSerializer.SerializeToElement(DocumentWriter.Write(words));
        Assert.Empty(DocumentReader.Read(written).Errors);
        var text = string.Join('\n', words.Blocks.Select(b => b.ToPlainText()));
        Assert.All(Enumerable.Range(0, 30), i => Assert.Contains($"word{i}", text, StringComparison.Ordinal));
    }

    [Fact]
    public void Whatever_is_pasted_becomes_a_document_that_the_reader_takes()
    {
        var tags = Gen.OneOfConst(
            "<p>",
            "</p>",
            "<ul>",
            "<li>",
            "</ul>",
            "<blockquote>",
            "<b>",
            "</b>",
            "<table>",
            "<td>",
            "<a href='kites.example'>",
            "<img src='x.jpg'>",
            "<h1>",
            "</h1>",
            "<br>",
            "<div",
            "&amp;",
            "words ",
            "\u0000",
            "<!--",
            "<![CDATA[",
            "<figure>",
            "<pre>",
            "<ol><li><ul><li>"
        );
        tags.Array[0, 60]
            .Sample(parts =>
            {
                var read = HtmlReader.Read(string.Concat(parts), Page);
                using var json = System.Text.Json.JsonDocument.Parse(DocumentWriter.Write(read.Words).ToJsonString());
                var again = DocumentReader.Read(json.RootElement);
                Assert.Empty(again.Errors);
                // Nothing is lost on the way: the reader finds every piece that was collected.
                Assert.Equal(read.Words.Blocks.Length, again.Document!.Blocks.Length);
            });
    }

    [Fact]
    public void Five_megabytes_of_pasted_page_are_read_and_more_than_eight_are_refused_in_words()
    {
        var long5 =
            "<p>"
            + string.Join("</p><p>", Enumerable.Repeat("A kite stands over the sand. " + new string('x', 70), 50_000))
            + "</p>";
        Assert.Equal(50_000, HtmlReader.Read(long5).Words.Blocks.Length);
        Assert.EndsWith(
            "take the part that is needed.",
            Assert
                .Throws<UnreadableException>(() => HtmlReader.Read(new string('x', HtmlReader.MaxCharacters + 1)))
                .Message,
            StringComparison.Ordinal
        );
        var deep = string.Concat(Enumerable.Repeat("<div>", 5000)) + "deep";
        Assert.Equal(["P deep"], Shape(HtmlReader.Read(deep)));
    }

    private static Uri Address(FoundPicture picture) => Assert.IsType<PictureContent.Remote>(picture.Content).Address;

    private static IEnumerable<TextRun> Runs(Proposal read) => read.Words.Blocks.SelectMany(Inlines).OfType<TextRun>();

    internal static IEnumerable<string> Shape(Proposal read) =>
        read.Words.Blocks.Select(b =>
            b switch
            {
                HeadingBlock h => $"H{h.Level} {Text(h)}",
                FigureBlock f => $"F {f.AssetId}{(f.Caption.Own.Length > 0 ? " " + f.Caption.Own : "")}",
                ListBlock l => $"{(l.Ordered ? "O" : "L")} "
                    + $"{string.Join('|', l.Items.Select(i => string.Join('/', i.Select(Text))))}",
                QuoteBlock q => $"Q {string.Join('|', q.Blocks.Select(Text))}",
                RuleBlock => "—",
                _ => "P " + Text(b),
            }
        );

    private static string Text(Block block) => string.Concat(Inlines(block).Select(i => i is TextRun r ? r.Text : "⏎"));

    private static IEnumerable<Inline> Inlines(Block block) =>
        block switch
        {
            ParagraphBlock p => p.Inlines,
            HeadingBlock h => h.Inlines,
            ListBlock l => l.Items.SelectMany(i => i.SelectMany(Inlines)),
            QuoteBlock q => q.Blocks.SelectMany(Inlines),
            _ => [],
        };
}
