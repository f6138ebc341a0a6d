using System.Collections.Immutable;
using System.Text.Json;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Content;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Banners;

/// <summary>What is known of a banner as it is begun; all else is right without touching anything.</summary>
/// <param name="Name">Empty for one that has none yet.</param>
/// <param name="PageId">Where it stands first; null for nowhere yet.</param>
/// <param name="Band">A band of a page that it begins as, as documents write it; null for none.</param>
/// <param name="AssetId">The picture behind; null for a colour.</param>
public sealed record BannerBeginning(
    string Name,
    string? PageId,
    string? AssetId,
    string From = "",
    string Until = "",
    bool Yearly = false,
    JsonElement? Band = null
)
{
    private const string Unnamed = "A new banner";

    /// <summary>At the least, CSS px: large, and with room for what stands below it in the first screen.</summary>
    private static readonly PerClass<int> LeastHeightPx = new(400, 420, 420);

    /// <param name="colour">Behind the words where there is no picture.</param>
    public BannerValues With(Srgb colour)
    {
        var given = Band is { } written ? BannerBand.Read(written).Band : null;
        var band = given is null ? Usual(colour) : BannerBand.Of(given);
        var said = band.Blocks.OfType<HeadingBlock>().FirstOrDefault()?.ToPlainText() ?? "";
        var name = string.IsNullOrWhiteSpace(Name) ? said : Name;
        return new(
            string.IsNullOrWhiteSpace(name) ? Unnamed : name[..Math.Min(name.Length, Banner.MaxName)],
            PageId is null ? [] : [new TargetValues(TargetKind.Page, PageId)],
            // What cannot be read is refused with its sentence, as any other band.
            Band is { } wrong
            && given is null
                ? wrong
                : JsonSerializer.SerializeToElement(DocumentWriter.Write(band)),
            From: From,
            Until: Until,
            Yearly: Yearly
        );
    }

    private BandBlock Usual(Srgb colour) =>
        new(
            Banner.BlockId,
            Backdrop.None with
            {
                AssetId = AssetId,
                Colour = AssetId is null ? colour : null,
                Tone = WordsTone.Light,
            },
            LeastHeightPx,
            HorizontalAlign.Left,
            VerticalAlign.Bottom,
            ImmutableArray<Block>.Empty
        );
}
