using Dekoro.Core.Calendar;
using Dekoro.Core.Choices;
using Dekoro.Core.Media;
using NodaTime;
using NodaTime.Text;

namespace Dekoro.Core.Arrangements;

/// <param name="Alt">Null takes the library's.</param>
/// <param name="CaptionSource">Null takes that of the whole set.</param>
/// <param name="Step">The picture that stands small as its step; null for the slide's own.</param>
/// <param name="From">The first day on which it is shown, as 2026-12-01; empty for ever before.</param>
/// <param name="Until">The last one; empty for ever after.</param>
public sealed record ItemValues(
    string Id,
    string Asset,
    bool IsOn = true,
    bool Decorative = false,
    string? Alt = null,
    CaptionSource? CaptionSource = null,
    string Caption = "",
    FigureLinkKind LinkKind = FigureLinkKind.None,
    string LinkTarget = "",
    int? StayMs = null,
    string Title = "",
    string Text = "",
    string Button = "",
    string ButtonLink = "",
    InsteadValues? Instead = null,
    string From = "",
    string Until = "",
    bool Yearly = false,
    string? Step = null
)
{
    /// <summary>The values of an item, as a form shows them.</summary>
    public static ItemValues Of(ArrangementItem i) =>
        new(
            i.Id,
            i.AssetId,
            i.IsOn,
            i.Alt.Decorative,
            i.Alt.Own,
            i.Caption?.Source,
            i.Caption?.Own ?? "",
            i.Link.Kind,
            i.Link.Target,
            i.StayMs,
            i.Words?.Title ?? "",
            i.Words?.Text ?? "",
            i.Words?.Button ?? "",
            i.Words?.Link ?? "",
            InsteadValues.Of(i.Instead),
            Iso(i.Dates?.From),
            Iso(i.Dates?.Until),
            i.Dates?.Yearly ?? false,
            i.StepAssetId
        );

    internal void Check(FieldRules rules)
    {
        string?[] words = [Alt, Caption, LinkTarget, Title, Text, Button, ButtonLink, .. Instead?.Typed ?? []];
        rules.Holds(
            words.All(w => w is not { Length: > PictureMetadata.MaxChars }),
            "items",
            $"Words of a picture are at most {PictureMetadata.MaxChars} letters long."
        );
        rules.Holds(
            StayMs is null or (>= Slider.MinStayMs and <= Slider.MaxStayMs),
            "stayMs",
            SliderValues.StaySentence
        );
        var dated = RunDates.Read(From, Until, Yearly).Sentence;
        rules.Holds(dated is null, "dates", dated ?? "");
        rules.Holds(
            Instead?.CanBeShown ?? true,
            "instead",
            "The larger view shows a film of the library, a video of another site by the addresses of its "
                + "page and its player, a page, or words."
        );
    }

    internal ArrangementItem Read(string id) =>
        new(
            id,
            Asset,
            IsOn,
            new(Decorative, Alt?.Trim()),
            CaptionSource is { } source ? new(source, Caption?.Trim() ?? "") : null,
            new(LinkKind, LinkTarget?.Trim() ?? "")
        )
        {
            StayMs = StayMs,
            Words = SlideWords.Of(Title, Text, Button, ButtonLink),
            Instead = Instead?.Read(),
            Dates = RunDates.Read(From, Until, Yearly).Dates,
            StepAssetId = Step is { Length: > 0 } ? Step : null,
        };

    private static string Iso(LocalDate? day) => day is { } d ? LocalDatePattern.Iso.Format(d) : "";
}
