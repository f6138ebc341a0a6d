using Dekoro.Application.Ingest;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Imaging;
using Dekoro.Intake;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>Outside archives: searched, seen in small, taken from.</summary>
internal static class ArchiveEndpoints
{
    private const int ThumbnailPx = 320,
        MaxAtOnce = 200;

    public static void MapArchives(this IEndpointRouteBuilder api)
    {
        api.MapGet("/archive", Search)
            .WithSummary("Searches an archive (IIIF collection or manifest) by words and any of its fields.");
        api.MapGet("/archive/picture", Picture).ExcludeFromDescription();
        api.MapGet("/archive/at", At).WithSummary("The archive that the site works with.");
        api.MapPut("/archive/at", SetAt).WithSummary("Sets the archive that the site works with.");
        api.MapPost("/archive/take", Take)
            .WithSummary("Takes the chosen pictures of an archive into the library, with their words and rights.");
        api.MapPost("/archive/bring", Bring).WithSummary("Fetches the chosen pictures of an archive into a proposal.");
    }

    /// <summary>Their own rules hold there, not Dekoro's: they stand for programs of other houses.</summary>
    public static void MapStandIns(this IEndpointRouteBuilder app) =>
        app.Map(StandIns.StandIn.Prefix + "{**path}", StandIn).Takes(Bodies.NoLimit).ExcludeFromDescription();

    private static async Task<IResult> StandIn(
        HttpRequest request,
        HttpResponse response,
        StandInDesk standIns,
        CancellationToken stop
    )
    {
        var answer = await standIns.AnswerAsync(
            new StandIns.StandInRequest(
                request.Method,
                new Uri($"{request.Scheme}://{request.Host}{request.Path}{request.QueryString}"),
                name => request.Headers[name].ToString(),
                request.Body
            ),
            stop
        );
        if (answer is null)
            return Problems.Of(404, "There is nothing at this address.");
        response.StatusCode = answer.Status;
        if (answer.Location is { } made)
            response.Headers.Location = made.AbsoluteUri;
        return answer.Status == 204 ? Results.NoContent() : Results.Bytes(answer.Content, answer.MediaType);
    }

    private static async Task<Results<Ok<ArchiveResponse>, ProblemHttpResult>> Search(
        string address,
        HttpRequest request,
        Archives archives,
        string? query = null,
        int skip = 0,
        int take = 60
    )
    {
        if (IntakeEndpoints.AddressOf(address, request, out var sentence) is not { } at)
            return Problems.Of(400, sentence, "address");
        try
        {
            var catalogue = await archives.ReadAsync(at);
            var found = ArchiveSearch.Find(catalogue, query);
            return TypedResults.Ok(
                new ArchiveResponse(
                    at.AbsoluteUri,
                    catalogue.Label,
                    catalogue.Summary,
                    found.Found.Length,
                    catalogue.Entries.Length,
                    [
                        .. found
                            .Found.Skip(Math.Max(0, skip))
                            .Take(Math.Clamp(take, 1, MaxAtOnce))
                            .Select(i => LineOf(i, catalogue.Entries[i])),
                    ],
                    found.Choices,
                    catalogue.LeftOut
                )
            );
        }
        catch (UnreadableException e)
        {
            return Problems.Of(422, e.Message, "address");
        }
    }

    private static ArchiveLine LineOf(int index, ArchiveEntry e) =>
        new(index, e.Label, e.Summary, e.Fields, e.Credit, e.Rights, e.Manifest.AbsoluteUri, e.WidthPx, e.HeightPx);

    /// <summary>In small and made anew; only what a catalogue names is ever fetched.</summary>
    private static async Task<IResult> Picture(
        string address,
        int item,
        HttpRequest request,
        HttpResponse response,
        Archives archives,
        PixelQueue pixels,
        CancellationToken stop
    )
    {
        if (IntakeEndpoints.AddressOf(address, request, out var sentence) is not { } at)
            return Problems.Of(400, sentence, "address");
        try
        {
            var catalogue = await archives.ReadAsync(at);
            if (item < 0 || item >= catalogue.Entries.Length)
                return Problems.Of(404, "The archive has no such picture.");
            var given = await archives.ThumbnailAsync(catalogue.Entries[item], stop);
            var small = await pixels.RunAsync(PixelWork.Asked, _ => Thumbnail.WebPOf(given, ThumbnailPx), stop);
            response.Headers.CacheControl = "private, max-age=86400";
            return Results.Bytes(small, "image/webp");
        }
        catch (Exception e) when (e is UnreadableException or RefusedFileException)
        {
            return Problems.Of(422, e.Message);
        }
    }

    private static Ok<GivenAddress> At(ArchiveAt at) => TypedResults.Ok(new GivenAddress(at.Address));

    private static Results<Ok<GivenAddress>, ProblemHttpResult> SetAt(
        GivenAddress given,
        HttpRequest request,
        ArchiveAt at
    )
    {
        if (IntakeEndpoints.AddressOf(given.Address, request, out var sentence) is null)
            return Problems.Of(400, sentence, "address");
        at.Set(given.Address.Trim());
        return TypedResults.Ok(new GivenAddress(at.Address));
    }

    private static Task<Results<Ok<TakenFromArchive>, ProblemHttpResult>> Take(
        BringFromArchive bring,
        HttpRequest request,
        Archives archives,
        Proposals proposals,
        CancellationToken stop
    ) => ChosenAsync<TakenFromArchive>(bring, request, archives, async proposal =>
        {
            var taken = await proposals.TakeAllAsync(proposal, stop);
            return TypedResults.Ok(new TakenFromArchive(taken, ArchiveReader.ShownWith));
        });

    private static Task<Results<Ok<ProposalResponse>, ProblemHttpResult>> Bring(
        BringFromArchive bring,
        HttpRequest request,
        Archives archives,
        Proposals proposals,
        PlanningContext planning,
        CancellationToken stop
    ) =>
        ChosenAsync<ProposalResponse>(bring, request, archives, proposal =>
            IntakeEndpoints.ReadAsync(() => proposal, proposals, planning, stop)
        );

    /// <summary>Reads the archive that is named, and does something with the chosen of its pictures.</summary>
    private static async Task<Results<Ok<T>, ProblemHttpResult>> ChosenAsync<T>(
        BringFromArchive bring,
        HttpRequest request,
        Archives archives,
        Func<Proposal, Task<Results<Ok<T>, ProblemHttpResult>>> then
    )
    {
        if (IntakeEndpoints.AddressOf(bring.Address, request, out var sentence) is not { } at)
            return Problems.Of(400, sentence, "address");
        if (bring.Items.Count is 0 or > MaxAtOnce)
            return Problems.Of(400, $"Choose from one to {MaxAtOnce} pictures at once.", "items");
        try
        {
            return await then(ArchiveReader.Propose(await archives.ReadAsync(at), bring.Items));
        }
        catch (UnreadableException e)
        {
            return Problems.Of(422, e.Message);
        }
    }
}
