using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>What a page weighs on each class of screen: its pictures, and the films that play unasked.</summary>
internal static class PageWeight
{
    public static PerClass<Weight> Of(
        Document page,
        ImmutableDictionary<string, FigurePlan> planned,
        PlanFacts facts
    ) => Of(planned.Values, FilmsOf(page, planned, facts));

    /// <summary>Films that play without being asked to: where each stands, when it is fetched, and its bytes.</summary>
    private static IEnumerable<(FigurePlan Figure, long Bytes)> FilmsOf(
        Document page,
        ImmutableDictionary<string, FigurePlan> planned,
        PlanFacts facts
    ) =>
        page
            .Figures.Where(f => f.Video is VideoChoice.Own { StartsItself: true })
            .Select(f => (f.Id, ((VideoChoice.Own)f.Video!).FileId))
            .Concat(page.Backdrops.Where(b => b.Backdrop.VideoId is not null).Select(b => (b.Id, b.Backdrop.VideoId!)))
            .Where(film => planned.ContainsKey(film.Item1) && facts.Addresses.FileById.ContainsKey(film.Item2))
            .Select(film => (planned[film.Item1], facts.Addresses.FileById[film.Item2].Bytes));

    private static PerClass<Weight> Of(
        IEnumerable<FigurePlan> figures,
        IEnumerable<(FigurePlan Figure, long Bytes)> films
    )
    {
        var list = figures
            .Select(f => (f.Loading, Bytes: (Func<WidthClass, double>)f.BytesOn))
            .Concat(
                films.Select(film =>
                    (
                        film.Figure.Loading,
                        Bytes: (Func<WidthClass, double>)(c => film.Figure.On(c) is null ? 0 : film.Bytes)
                    )
                )
            )
            .ToList();
        return new PerClass<int>().Select(
            (c, _) =>
                new Weight(
                    list.Where(f => f.Loading != Loading.Later).Sum(f => f.Bytes(c)),
                    list.Where(f => f.Loading == Loading.Later).Sum(f => f.Bytes(c))
                )
        );
    }
}
