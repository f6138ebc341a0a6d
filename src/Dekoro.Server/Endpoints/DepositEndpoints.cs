using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.ToArchive;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>Pictures are handed to the archive.</summary>
internal static class DepositEndpoints
{
    private const int MaxListed = 5000,
        MaxToken = 4000;

    public static void MapDeposits(this IEndpointRouteBuilder api)
    {
        api.MapGet("/deposits/at", At).WithSummary("Where pictures are handed to the archive (SWORD 3.0).");
        api.MapPut("/deposits/at", SetAt).WithSummary("Sets it; what waits is tried at once.");
        api.MapGet("/deposits/service", Service).WithSummary("Asks the archive what it takes.");
        api.MapGet("/deposits", List).WithSummary("What has not reached the archive yet.");
        api.MapPost("/deposits", Ask)
            .WithSummary("Hands pictures to the archive with their words, now or as soon as it can be reached.");
        api.MapPost("/deposits/{id}/words", HandOnWords).WithSummary("Hands on words that changed since.");
        api.MapDelete("/deposits/{id}", Forget).WithSummary("Takes a picture out that did not reach the archive yet.");
    }

    /// <summary>How a deposit is told.</summary>
    public static DepositResponse Told(Deposit deposit, Asset asset) =>
        new(
            deposit.State,
            deposit.Sentence,
            deposit.AskedBy,
            deposit.State == DepositState.Waiting ? deposit.NextAt : null,
            deposit.There.HandedAt,
            Depositor.HasOtherWords(asset, deposit)
        );

    private static Ok<DepositAddressResponse> At(DepositAt at) => TypedResults.Ok(Told(at.Now));

    private static DepositAddressResponse Told(DepositAddress now) => new(now.Address, now.Token.Length > 0);

    private static Results<Ok<DepositAddressResponse>, ProblemHttpResult> SetAt(
        DepositAddressGiven given,
        HttpRequest request,
        DepositAt at,
        Depositor depositor
    )
    {
        if (IntakeEndpoints.AddressOf(given.Address, request, out var sentence) is null)
            return Problems.Of(400, sentence, "address");
        if (given.Token is { } token && (token.Length > MaxToken || token.Any(c => c is < ' ' or > '~')))
            return Problems.Of(400, "A token is one word of plain letters and signs: copy it again.", "token");
        at.Set(given.Address.Trim(), given.Token?.Trim());
        depositor.Hasten();
        return TypedResults.Ok(Told(at.Now));
    }

    private static async Task<Results<Ok<DepositService>, ProblemHttpResult>> Service(
        DepositAt at,
        SwordClient sword,
        CancellationToken stop
    )
    {
        try
        {
            var service = await sword.ServiceAsync(at.Now, stop);
            return service.TakesDeposits
                ? TypedResults.Ok(new DepositService(service.Title, service.MaxBytes))
                : Problems.Of(422, service.Refusal("image/jpeg", 0)!);
        }
        catch (DepositException e)
        {
            return Problems.Of(422, e.Message);
        }
    }

    private static Ok<DepositList> List(Workspace workspace)
    {
        var (waiting, refused) = (
            workspace.Deposits.In(DepositState.Waiting),
            workspace.Deposits.In(DepositState.Refused)
        );
        var first = refused.Concat(waiting).Take(MaxListed).ToDictionary(d => d.AssetId);
        return TypedResults.Ok(
            new DepositList(
                waiting.Count,
                refused.Count,
                [
                    .. workspace
                        .Assets.FindMany([.. first.Keys])
                        .Select(a => new DepositItem(a.Id, a.Facts.Metadata.Title, Told(first[a.Id], a))),
                ]
            )
        );
    }

    private static Results<Ok<DepositsAsked>, ProblemHttpResult> Ask(
        FileIds files,
        Depositor depositor,
        Person person
    ) =>
        files.Ids.Count > PictureChanges.MaxAtOnce
            ? Problems.Of(400, $"At most {PictureChanges.MaxAtOnce} pictures are handed over at once.", "ids")
            : TypedResults.Ok(new DepositsAsked(files.Ids.Distinct().Count(id => depositor.Ask(id, person.Now))));

    private static Results<NoContent, ProblemHttpResult> HandOnWords(string id, Depositor depositor) =>
        depositor.HandOnWords(id)
            ? TypedResults.NoContent()
            : Problems.Of(409, "This picture is not in the archive yet: hand it over first.");

    private static Results<NoContent, ProblemHttpResult> Forget(string id, Depositor depositor) =>
        depositor.Forget(id)
            ? TypedResults.NoContent()
            : Problems.Of(409, "This picture is in the archive already, and stays there.");
}
