using System.Collections.Immutable;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>The plan of one page: what every reader of it needs, worked out once.</summary>
/// <param name="Asked">The page as it was given.</param>
/// <param name="Page">The same without what is no longer in the library.</param>
/// <param name="Links">Every link of its words, as it was read.</param>
public sealed record PagePlan(
    ResolvedPage Asked,
    ResolvedPage Page,
    PlanFacts Facts,
    PageLayout Layout,
    PagePieces Pieces,
    ImmutableDictionary<string, LinkReading> Links,
    PerClass<Weight> Weights
)
{
    /// <inheritdoc cref="PagePieces.Figures"/>
    public ImmutableDictionary<string, FigurePlan> Figures => Pieces.Figures;

    /// <inheritdoc cref="PagePieces.Empty"/>
    public ImmutableDictionary<string, EmptyPlace> Empty => Pieces.Empty;

    /// <inheritdoc cref="PagePieces.Grounds"/>
    public ImmutableDictionary<string, BackdropPlan> Grounds => Pieces.Grounds;

    /// <inheritdoc cref="PagePieces.Sets"/>
    public ImmutableDictionary<string, ArrangementPlan> Sets => Pieces.Sets;

    /// <summary>Where its links lead.</summary>
    public SiteAddresses Addresses => Facts.Addresses;

    /// <summary>Every picture of which files are needed; one may come more than once.</summary>
    public IEnumerable<string> Assets => Figures.Values.SelectMany(f => f.Files).Select(f => f.AssetId);

    /// <summary>Every link that leads somewhere, of words and of pictures.</summary>
    public IEnumerable<Link> LinksOut =>
        Links
            .Values.Select(r => r.Link)
            .Concat(Figures.Values.Select(f => f.Link))
            .OfType<Link>()
            .Concat(
                TextRuns
                    .FilesPlayedIn(Page.Document)
                    .Select(played => played.FileId)
                    .Where(Addresses.FileById.ContainsKey)
                    .Select(id => new Link.File(id))
            );
}
