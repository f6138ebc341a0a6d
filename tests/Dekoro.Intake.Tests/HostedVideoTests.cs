using System.Text;

namespace Dekoro.Intake.Tests;

public sealed class HostedVideoTests
{
    private static readonly Uri Page = new("https://videos.example/watch/kites");

    private static Task<HostedVideo> Read(
        string json,
        string link = "<link rel=\"alternate\" type=\"application/json+oembed\" href=\"/describe?url=kites\">"
    ) =>
        HostedVideo.ReadAsync(
            Page,
            (at, _) =>
                Task.FromResult(
                    Encoding.UTF8.GetBytes(
                        at == Page ? $"<html><head>{link}</head></html>"
                        : at == new Uri(Page, "/describe?url=kites") ? json
                        : throw new InvalidOperationException(at.ToString())
                    )
                ),
            CancellationToken.None
        );

    [Fact]
    public async Task Of_what_a_site_says_the_title_the_still_and_where_its_frame_leads_are_taken_and_nothing_active()
    {
        var video = await Read(
            """{"type":"video","title":" Kites ","thumbnail_url":"/still.jpg","html":"<script>bad()</script>"""
                + """<iframe src=\"https://player.example/7?a=1\" onload=\"bad()\"></iframe>"}"""
        );
        Assert.Equal(
            new HostedVideo(
                Page,
                "Kites",
                new("https://player.example/7?a=1"),
                new("https://videos.example/still.jpg")
            ),
            video
        );
    }

    [Theory]
    [InlineData("""{"type":"photo","thumbnail_url":"/s.jpg","html":""}""", "no video")]
    [InlineData(
        """{"type":"video","title":"x","thumbnail_url":"/s.jpg","html":"<div data-id=1></div>"""
            + """<script src=p.js></script>"}""",
        "script of its own"
    )]
    [InlineData(
        """{"type":"video","title":"x","thumbnail_url":"/s.jpg","html":"<iframe src=\"javascript:alert(1)\">"""
            + """</iframe>"}""",
        "script of its own"
    )]
    [InlineData(
        """{"type":"video","title":"x","thumbnail_url":"/s.jpg","html":"<iframe """
            + """src=\"http://player.example/1\"></iframe>"}""",
        "script of its own"
    )]
    [InlineData(
        """{"type":"video","title":"x","html":"<iframe src=\"https://player.example/1\"></iframe>"}""",
        "no still"
    )]
    [InlineData("""<html>not found</html>""", "cannot be read")]
    [InlineData("""[1]""", "no video")]
    public async Task What_cannot_be_shown_is_refused_with_what_to_do(string json, string says) =>
        Assert.Contains(
            says,
            (await Assert.ThrowsAsync<UnreadableException>(() => Read(json))).Message,
            StringComparison.Ordinal
        );

    [Fact]
    public async Task A_page_that_describes_no_video_says_so() =>
        Assert.Contains(
            "does not say how its video",
            (
                await Assert.ThrowsAsync<UnreadableException>(() =>
                    Read("{}", "<link rel=alternate type=application/rss+xml href=/feed>")
                )
            ).Message,
            StringComparison.Ordinal
        );
}
