using System.Net;
using System.Text;
using Dekoro.Core.Planning;
using Dekoro.Core.Publication;
using Dekoro.Core.Responsive;

namespace Dekoro.Publishing;

/// <summary>What another site puts into its page to show an arrangement of this one.</summary>
public static class Snippet
{
    private const string FrameRule = "iframe { display: block; width: 100%; border: 0 }";

    /// <summary>A frame as high as the arrangement at every width.</summary>
    /// <returns>Null where there is nothing to show.</returns>
    public static string? Of(PagePlan plan, string address)
    {
        if (SnippetPage.HeightsOf(plan) is not { } heights)
            return null;
        var name = "frame-" + plan.Page.Id;
        var rules = new StringBuilder();
        foreach (var c in WidthClasses.All)
        {
            var from = plan.Layout.Style.Classes.FromPx(c);
            var rule = string.Create(
                CultureInfo.InvariantCulture,
                $".{name} > iframe {{ height: {heights[c].ToCss("cqi")} }}"
            );
            rules.Append(from > 0 ? $"@container (min-width: {from}px) {{ {rule} }} " : rule + " ");
        }
        var styles = $".{name} > {FrameRule} {rules.ToString().Trim()}";
        return $$"""
            <div class="{{name}}" style="container-type: inline-size"><style>{{styles}}</style>
            <iframe src="{{WebUtility.HtmlEncode(address)}}" title="{{WebUtility.HtmlEncode(
                plan.Page.Title
            )}}" loading="lazy" allowfullscreen></iframe></div>
            """;
    }
}
