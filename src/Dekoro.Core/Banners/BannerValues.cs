using System.Text.Json;
using Dekoro.Core.Calendar;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Geometry;
using NodaTime.Text;

namespace Dekoro.Core.Banners;

/// <summary>A banner as it is kept and sent.</summary>
/// <param name="From">The first day, as 2026-12-01; empty for ever before.</param>
/// <param name="Until">The last one; empty for ever after.</param>
/// <param name="Band">The piece it is, as it is written in documents.</param>
public sealed record BannerValues(
    string Name,
    IReadOnlyList<TargetValues> Targets,
    JsonElement Band,
    bool IsOn = true,
    bool IsStanding = false,
    string From = "",
    string Until = "",
    bool Yearly = false,
    bool HoldsTitle = false
)
{
    private const int MaxName = Banner.MaxName,
        MaxTargets = 200;

    /// <summary>The values of a banner, as a form shows them.</summary>
    public static BannerValues Of(Banner b) =>
        new(
            b.Name,
            [.. b.Targets.Select(TargetValues.Of)],
            JsonSerializer.SerializeToElement(DocumentWriter.Write(b.Band)),
            b.IsOn,
            b.IsStanding,
            b.Dates?.From is { } from ? LocalDatePattern.Iso.Format(from) : "",
            b.Dates?.Until is { } until ? LocalDatePattern.Iso.Format(until) : "",
            b.Dates?.Yearly ?? false,
            b.HoldsTitle
        );

    /// <summary>Reads what <see cref="Write"/> wrote.</summary>
    public static BannerValues Read(string json) => JsonSerializer.Deserialize<BannerValues>(json, ValuesJson.Options)!;

    /// <summary>As JSON, as it is kept and sent.</summary>
    public string Write() => JsonSerializer.Serialize(this, ValuesJson.Options);

    /// <summary>Another of the same, as of last year's.</summary>
    public BannerValues Again() => this with { Name = Name[..Math.Min(Name.Length, MaxName - More.Length)] + More };

    private const string More = ", again";

    /// <summary>Checks every value. What cannot be is refused by name of its field, with what is allowed.</summary>
    public BannerReading Check(string id)
    {
        var rules = new FieldRules();
        rules.Holds(
            Name?.Trim() is { Length: > 0 and <= MaxName },
            "name",
            $"Give the banner a name of at most {MaxName} letters; visitors never see it."
        );
        var targets = Targets is { Count: <= MaxTargets } ? Targets.Select(t => t?.Read()).ToList() : [null];
        rules.Holds(
            targets.All(t => t is not null),
            "targets",
            $"A banner stands on all pages, all posts, one page, or posts in a folder: at most {MaxTargets} of them."
        );
        var dates = RunDates.Read(From, Until, Yearly && !IsStanding);
        rules.Holds(IsStanding || dates.Sentence is null, "dates", dates.Sentence ?? "");
        var band = BandOf(rules);
        return rules.AllHold
            ? new(
                new(
                    id,
                    Name!.Trim(),
                    IsOn,
                    IsStanding,
                    IsStanding ? null : dates.Dates,
                    [.. targets.OfType<BannerTarget>().Distinct()],
                    HoldsTitle,
                    band!
                ),
                null,
                null
            )
            : new(null, rules.Errors[0].Field, rules.Errors[0].Sentence);
    }

    private BandBlock? BandOf(FieldRules rules)
    {
        var (band, sentence) = BannerBand.Read(Band);
        rules.Holds(band is not null, "band", sentence);
        rules.Holds(
            band is null || band.Blocks.OfType<ButtonBlock>().Count() <= Banner.MaxButtons,
            "band",
            $"A banner has at most {Banner.MaxButtons} buttons: visitors give it a glance."
        );
        return band;
    }
}
