using System.Collections.Immutable;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

/// <summary>A line between a visitor and the site.</summary>
public sealed record VisitorLine(string Name, double BytesPerS, double RoundTripMs)
{
    /// <summary>About a phone at the edge of its net, one in a town, and a house with a cable.</summary>
    public static ImmutableArray<VisitorLine> Offered { get; } = [new("slow", 50_000, 400), new("fair", 200_000, 150), new("good", 1_250_000, 40)];
}

/// <param name="AtMs">When all of it is there, from the first request on.</param>
/// <param name="OnScrolling">It is fetched only when a visitor comes near; told as if they scrolled at once.</param>
public sealed record Arrival(string BlockId, double AtMs, bool OnScrolling);

/// <summary>What comes when on a line: the words, then one picture after the other in the order in which they are asked for.</summary>
/// <param name="FirstScreenMs">When all that begins in the first screen is there.</param>
public sealed record Rehearsal(double WordsMs, double FirstScreenMs, double AllMs, ImmutableArray<Arrival> Pictures)
{
    /// <summary>Name, connection, its securing, the page; and once more for the style sheet it names.</summary>
    public const int RoundTrips = 5;

    /// <param name="textBytes">Of page and style sheet, as they are sent.</param>
    /// <remarks>A line is shared without loss, so that one after the other ends with all as soon as all at once; the one asked for first is there first.</remarks>
    public static Rehearsal Of(PagePlan plan, WidthClass c, VisitorLine line, double textBytes)
    {
        var words = RoundTrips * line.RoundTripMs + MsFor(textBytes);
        var (at, pictures) = (words, ImmutableArray.CreateBuilder<Arrival>());
        foreach (var figure in plan.Page.Document.Figures.Select(f => plan.Figures.GetValueOrDefault(f.Id)).OfType<FigurePlan>().Where(f => f.On(c) is not null).OrderBy(f => f.Loading))
        {
            if (pictures.Count == 0) at += line.RoundTripMs;
            at += MsFor(figure.BytesOn(c));
            pictures.Add(new(figure.Block.Id, at, figure.Loading == Loading.Later));
        }
        return new(words, pictures.LastOrDefault(p => !p.OnScrolling)?.AtMs ?? words, at, pictures.ToImmutable());

        double MsFor(double bytes) => 1000 * bytes / line.BytesPerS;
    }
}
