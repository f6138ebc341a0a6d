using System.Collections.Immutable;
using Dekoro.Core.Delivery;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>
/// What comes when on a line: the words, then one picture after the other in the order in which they are asked for.
/// </summary>
/// <param name="FirstScreenMs">When all that begins in the first screen is there.</param>
public sealed record LoadTimeline(double WordsMs, double FirstScreenMs, double AllMs, ImmutableArray<Arrival> Pictures)
{
    /// <summary>Name, connection, its securing, the page; and once more for the style sheet it names.</summary>
    public const int RoundTrips = 5;

    /// <param name="textBytes">Of page and style sheet, as they are sent.</param>
    /// <remarks>A line is shared without loss, so that one after the other ends with all as soon as all at once; the
    /// one asked for first is there first.</remarks>
    public static LoadTimeline Of(PagePlan plan, WidthClass c, VisitorLine line, double textBytes)
    {
        var words = RoundTrips * line.RoundTripMs + MsFor(textBytes);
        var (at, pictures) = (words, ImmutableArray.CreateBuilder<Arrival>());
        foreach (
            var figure in plan
                .Page.Document.Figures.Select(f => plan.Figures.GetValueOrDefault(f.Id))
                .OfType<FigurePlan>()
                .Where(f => f.On(c) is not null)
                .OrderBy(f => f.Loading)
        )
        {
            if (pictures.Count == 0)
                at += line.RoundTripMs;
            at += MsFor(figure.BytesOn(c));
            pictures.Add(new(figure.Block.Id, at, figure.Loading == Loading.Later));
        }
        return new(words, pictures.LastOrDefault(p => !p.OnScrolling)?.AtMs ?? words, at, pictures.ToImmutable());

        double MsFor(double bytes) => 1000 * bytes / line.BytesPerS;
    }
}
