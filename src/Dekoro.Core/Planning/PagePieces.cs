using System.Collections.Immutable;
using Dekoro.Core.Layout;

namespace Dekoro.Core.Planning;

/// <summary>What is decided about each piece of a page, by the piece's id.</summary>
/// <param name="Figures">Pictures that are in the library.</param>
/// <param name="Empty">Places that wait for a picture.</param>
/// <param name="Grounds">Bands, cells and slides with something behind, and bands without.</param>
/// <param name="Sets">Arrangements with something to show.</param>
public sealed record PagePieces(
    ImmutableDictionary<string, FigurePlan> Figures,
    ImmutableDictionary<string, EmptyPlace> Empty,
    ImmutableDictionary<string, BackdropPlan> Grounds,
    ImmutableDictionary<string, ArrangementPlan> Sets
);
