using Dekoro.Core.Publication;

namespace Dekoro.Core.Tests.Site;

public sealed class ChangeReasonsTests
{
    [Theory]
    [InlineData(
        """{"title":"A","style":"one","draft":"x"}""",
        """{"title":"A","style":"two","draft":"x"}""",
        "the site's look"
    )]
    [InlineData("""{"title":"A","style":"one"}""", """{"title":"B","style":"two"}""", "its title, the site's look")]
    [InlineData(
        """{"pictures":[{"alt":""}]}""",
        """{"pictures":[{"alt":"A kite"}]}""",
        "words, keep area or edits of its pictures"
    )]
    [InlineData("""{"title":"A"}""", """{"title":"A"}"2026-11-29" """, "its date")]
    [InlineData("""{"title":"A"}"2026-11-29" """, """{"title":"A"}"2026-11-29" """, "")]
    public void What_makes_a_page_another_is_told(string then, string now, string why) =>
        Assert.Equal(why, string.Join(", ", ChangeReasons.Between(then, now)));
}
