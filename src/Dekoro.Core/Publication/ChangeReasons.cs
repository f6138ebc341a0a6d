using System.Collections.Immutable;
using System.Text.Json.Nodes;

namespace Dekoro.Core.Publication;

/// <summary>
/// Why a page that was public is another now, told from what it was made from then and would be made from now.
/// </summary>
public static class ChangeReasons
{
    /// <summary>The reason that all pages have at once.</summary>
    public const string Style = "the site's look";

    private static readonly ImmutableArray<(string Part, string Reason)> Parts =
    [
        ("path", "its address"),
        ("title", "its title"),
        ("summary", "its summary"),
        ("draft", "what stands on it"),
        ("pictures", "words, keep area or edits of its pictures"),
        ("arrangements", "its arrangements"),
        ("style", Style),
    ];

    /// <param name="then">
    /// JSON as <c>PlanningContext.ContentOf</c> writes it; banners may stand before it, and a day follow it.
    /// </param>
    /// <param name="now">The same as it stands now.</param>
    /// <returns>Parts of a sentence; none where nothing is told apart.</returns>
    public static ImmutableArray<string> Between(string then, string now)
    {
        var (was, isNow) = (Split(then), Split(now));
        return
        [
            .. Parts.Where(p => !JsonNode.DeepEquals(was.Content[p.Part], isNow.Content[p.Part])).Select(p => p.Reason),
            .. was.Day == isNow.Day ? Array.Empty<string>() : ["its date"],
            .. was.Banners == isNow.Banners ? Array.Empty<string>() : ["its banners"],
        ];
    }

    private static (JsonNode Content, string Day, string Banners) Split(string content)
    {
        // Banners stand before the rest, as a list; the day follows it.
        var begins = content.StartsWith('[') ? content.IndexOf("]{\"title\"", StringComparison.Ordinal) + 1 : 0;
        var end = content.LastIndexOf('}') + 1;
        return (JsonNode.Parse(content[begins..end]) ?? new JsonObject(), content[end..], content[..begins]);
    }
}
