using Dekoro.Application.Site;
using Dekoro.Core.Site;

namespace Dekoro.Server.Tests;

public sealed class StoredStyleTests
{
    [Theory]
    [InlineData(Typeface.Newsreader)]
    [InlineData(Typeface.Figtree)]
    public void A_typeface_reads_back_with_its_metrics_and_the_first_is_written_as_it_was_before_there_were_others(
        Typeface typeface
    )
    {
        var json = Application.Hosting.Json.Write(StoredStyle.Of(new SiteStyle { Typeface = typeface }));
        Assert.Equal(typeface != Typeface.Newsreader, json.Contains("typeface", StringComparison.Ordinal));
        var style = Application.Hosting.Json.Read<StoredStyle>(json).ToStyle();
        Assert.Equal((typeface, Dekoro.Publishing.Faces.Of(typeface).Metrics), (style.Typeface, style.Face));
    }
}
