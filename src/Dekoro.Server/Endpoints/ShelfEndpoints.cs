using System.Text;
using Dekoro.Application.Ingest;
using Dekoro.Core.Media;
using Dekoro.Intake.Shelf;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>Patterns and textures that ship with Dekoro.</summary>
internal static class ShelfEndpoints
{
    private const string Folder = "Patterns",
        Keywords = "pattern, seamless";

    public static void MapShelf(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/shelf", () =>
                new ShelfList([.. PatternShelf.All.Select(p => new ShelfItem(p.Id, p.Name, p.HasTransparency))])
            )
            .WithSummary("The patterns that ship with Dekoro.");
        app.MapPost("/api/shelf/take", TakeAsync).WithSummary("Takes patterns from the shelf into the library.");
        app.MapGet("/media/shelf/{id}", Tile).ExcludeFromDescription();
    }

    private static IResult Tile(string id, HttpResponse response)
    {
        if (PatternShelf.All.FirstOrDefault(p => p.Id == id) is not { } pattern)
            return Problems.Of(404, "There is no such pattern on the shelf.");
        response.Headers.CacheControl = "public, max-age=86400";
        return Results.Text(pattern.Svg, "image/svg+xml");
    }

    private static async Task<Results<Ok<TakenList>, ProblemHttpResult>> TakeAsync(
        FileIds wanted,
        AssetIngest ingest,
        CancellationToken stop
    )
    {
        var patterns = PatternShelf.All.Where(p => wanted.Ids.Contains(p.Id)).ToList();
        if (patterns.Count == 0)
            return Problems.Of(400, "Choose a pattern of the shelf first.", "ids");
        var taken = new List<Taken>();
        foreach (var pattern in patterns)
        {
            using var svg = new MemoryStream(Encoding.UTF8.GetBytes(pattern.Svg));
            taken.Add(
                await ingest.TakeAsync(
                    pattern.Id + ".svg",
                    svg,
                    new PictureMetadata(pattern.Name, Folder: Folder, Keywords: Keywords),
                    stop
                )
            );
        }
        return TypedResults.Ok(new TakenList(taken));
    }
}
