using System.Collections.Immutable;
using Dekoro.Core.Colour;
using Dekoro.Core.Content;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Core.Site;

namespace Dekoro.Core.Planning;

/// <summary>The facts a plan is made with, beside the page itself.</summary>
/// <param name="Elsewhere">The slots in which a picture's cut stands on the other pages of the site.</param>
public sealed record PlanFacts(
    SiteStyle Style,
    IReadOnlyDictionary<string, PictureFacts> Pictures,
    SiteAddresses Addresses,
    IReadOnlyList<Place> Elsewhere
)
{
    /// <summary>Samples of the pictures that stand behind words, by picture.</summary>
    public IReadOnlyDictionary<string, ColourGrid> Grids { get; init; } = ImmutableDictionary<string, ColourGrid>.Empty;

    /// <summary>What is known of a figure's picture; null for one that is not in the library.</summary>
    public PictureFacts? PictureOf(FigureBlock figure) => Pictures.GetValueOrDefault(figure.AssetId);
}
