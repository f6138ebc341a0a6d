using System.Globalization;
using System.Text.Json;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;

namespace Dekoro.Core.Arrangements;

/// <summary>An arrangement as it is kept and sent: choices by name, shapes as 3:2.</summary>
/// <param name="Follows">A search line; empty or null where the pictures are chosen.</param>
/// <param name="NamedLook">The id of one of the site's looks; null or empty for none, and where it has one of its
/// own.</param>
public sealed record ArrangementValues(
    string Name,
    GalleryValues Gallery,
    IReadOnlyList<ItemValues> Items,
    string? Follows = null,
    ArrangementKind Kind = ArrangementKind.Gallery,
    SliderValues? Slider = null,
    Lightbox? Larger = null,
    bool IsShownElsewhere = false,
    string? NamedLook = null,
    FrameStyleValues? OwnLook = null
)
{
    private const int MaxName = 100,
        MaxId = 40,
        MaxLine = 500;

    /// <summary>The values of an arrangement, as a form shows them.</summary>
    public static ArrangementValues Of(Arrangement a) =>
        new(
            a.Name,
            GalleryValues.Of(a.Gallery),
            [.. a.Items.Select(ItemValues.Of)],
            a.SourceQuery,
            a.Kind,
            SliderValues.Of(a.Slider),
            a.Larger,
            a.IsShownElsewhere,
            a.FrameStyle.NamedId,
            a.FrameStyle.Own is { } look ? FrameStyleValues.Of(look) : null
        );

    /// <summary>Reads what <see cref="Write"/> wrote.</summary>
    public static ArrangementValues Read(string json) =>
        JsonSerializer.Deserialize<ArrangementValues>(json, ValuesJson.Options)!;

    /// <summary>As JSON, as it is kept and sent.</summary>
    public string Write() => JsonSerializer.Serialize(this, ValuesJson.Options);

    /// <summary>Checks every value. What cannot be is refused by name of its field, with what is allowed.</summary>
    public ArrangementReading Check(string id)
    {
        var rules = new FieldRules();
        // Sent from outside, any of them may be missing, whatever its type says.
        if (
            !rules.Holds(
                Name?.Trim() is { Length: > 0 and <= MaxName },
                "name",
                $"Give the arrangement a name of at most {MaxName} letters."
            )
            || !rules.Holds(
                Gallery is not null && Items is not null && Items.All(i => i?.Asset is not null),
                "items",
                "An arrangement has a name, a layout and pictures, each by its id."
            )
        )
            return Refused(rules);
        var gallery = Gallery!.Read(rules);
        var slider = Slider is null ? Arrangements.Slider.Usual : Slider.Read(rules);
        var look = OwnLook?.Read();
        rules.Holds(look is not { FrameStyle: null }, "look", look?.Sentence ?? "");
        rules.Holds(
            Larger is null || Enum.IsDefined(Larger.Size),
            "larger",
            "The larger view opens a lean, balanced or full file, or the original."
        );
        rules.Holds(Enum.IsDefined(Kind), "kind", "An arrangement is a gallery, a slider or a carousel.");
        var follows = LibraryQuery.Read(Follows ?? "").Written;
        rules.Holds(
            follows.Length <= MaxLine,
            "follows",
            $"A search line holds at most {MaxLine} characters: shorten it."
        );
        rules.Holds(
            Items!.Count <= Arrangement.MaxItems,
            "items",
            string.Create(
                CultureInfo.InvariantCulture,
                $"An arrangement holds at most {Arrangement.MaxItems} pictures: make two of it."
            )
        );
        foreach (var item in Items)
            item.Check(rules);
        return rules.AllHold
            ? new(Made(id, gallery!, slider!, look?.FrameStyle, follows.Length > 0 ? follows : null), null, null)
            : Refused(rules);
    }

    private static ArrangementReading Refused(FieldRules rules) =>
        new(null, rules.Errors[0].Field, rules.Errors[0].Sentence);

    private Arrangement Made(string id, Gallery gallery, Slider slider, FrameStyle? own, string? follows)
    {
        var ids = new HashSet<string>();
        return new(id, Name.Trim(), gallery, [.. Items.Select((item, i) => item.Read(IdOf(item, i)))], follows)
        {
            Kind = Kind,
            Slider = slider,
            Larger = Larger ?? Lightbox.Usual,
            IsShownElsewhere = IsShownElsewhere,
            FrameStyle =
                own is not null ? new(null, own)
                : NamedLook is { Length: > 0 and <= MaxId } named ? new(named, null)
                : FrameStyleChoice.None,
        };

        // Ids that are missing, strange or taken are made anew.
        string IdOf(ItemValues item, int i)
        {
            if (item.Id is { Length: > 0 and <= MaxId } given && given.All(char.IsAsciiLetterOrDigit) && ids.Add(given))
                return given;
            var made = string.Create(CultureInfo.InvariantCulture, $"i{i}");
            while (!ids.Add(made))
                made += "x";
            return made;
        }
    }
}
