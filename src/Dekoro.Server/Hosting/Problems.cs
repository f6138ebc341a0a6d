using Dekoro.Application.Changes;
using Dekoro.Core.Content;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Hosting;

/// <summary>
/// Expected failures as RFC 9457 problem details: a sentence for the person, and the field it is about.
/// </summary>
internal static class Problems
{
    public static ProblemHttpResult Of(
        int status,
        string sentence,
        string? field = null,
        params (string Name, object? Value)[] more
    )
    {
        var extensions = more.ToDictionary(m => m.Name, m => m.Value);
        if (field is not null)
            extensions["field"] = field;
        return TypedResults.Problem(sentence, statusCode: status, extensions: extensions);
    }

    public static ProblemHttpResult NoPage() => Of(404, "This page is no longer there: go back to the list of pages.");

    public static ProblemHttpResult NoArrangement() =>
        Of(404, "This arrangement is no longer there: go back to the list of arrangements.");

    public static ProblemHttpResult NoFile() => Of(404, "This file is not in the library any more.");

    public static ProblemHttpResult NoBanner() => Of(404, "This banner is no longer there: choose another.");

    public static ProblemHttpResult NoProposal() =>
        Of(404, "This reading is no longer here: it was taken in, or let go. Open the mail, page or archive again.");

    public static ProblemHttpResult NoState() => Of(404, "This state of the page is no longer kept: choose another.");

    public static ProblemHttpResult NoPicture() => Of(404, "This picture is no longer in the library: choose another.");

    public static ProblemHttpResult NotADocument(IEnumerable<DocumentError> errors)
    {
        var list = errors.ToList();
        return Of(400, list[0].Sentence, list[0].Path, ("errors", list));
    }

    /// <summary>A change that does not say what it began from could undo another's.</summary>
    public static ProblemHttpResult NoVersion() =>
        Of(428, "Say with If-Match which version this change started from, so that nobody else's is written over.");

    /// <summary>The work of two people met; both are in the answer, and nothing was overwritten.</summary>
    public static ProblemHttpResult Stale(string sentence, object? now, object? yours) =>
        Of(409, sentence, null, ("now", now), ("yours", yours));

    /// <summary>What came of a change, on the wire.</summary>
    /// <param name="written">What was changed, as the client knows it.</param>
    /// <param name="yours">What was sent, where somebody else was faster.</param>
    public static Results<Ok<TWritten>, ProblemHttpResult> Answer<T, TWritten>(
        this ChangeResult<T> result,
        Func<T, TWritten> written,
        object? yours = null
    ) =>
        result switch
        {
            ChangeResult<T>.Done done => TypedResults.Ok(written(done.Now)),
            ChangeResult<T>.Stale stale => Stale(stale.Sentence, written(stale.Now), yours),
            var other => Failure(other),
        };

    /// <summary>The same of a change after which there is nothing to say.</summary>
    public static Results<NoContent, ProblemHttpResult> Answer<T>(this ChangeResult<T> result) =>
        result is ChangeResult<T>.Done ? TypedResults.NoContent() : Failure(result);

    /// <summary>Why nothing was changed.</summary>
    public static ProblemHttpResult Failure<T>(this ChangeResult<T> result) =>
        result switch
        {
            ChangeResult<T>.NotThere gone => NotThere(gone.What),
            ChangeResult<T>.Refused refused => Of(400, refused.Sentence, refused.Field),
            ChangeResult<T>.Conflict conflict => Of(409, conflict.Sentence),
            ChangeResult<T>.Undecodable undecodable => Of(422, undecodable.Sentence),
            _ => throw new InvalidOperationException($"{result.GetType().Name} has no answer."),
        };

    private static ProblemHttpResult NotThere(Thing what) =>
        what switch
        {
            Thing.Page => NoPage(),
            Thing.Picture => NoPicture(),
            Thing.Arrangement => NoArrangement(),
            Thing.Banner => NoBanner(),
            Thing.State => NoState(),
            Thing.File => NoFile(),
            Thing.Proposal => NoProposal(),
            _ => Of(404, "This version is no longer there: choose another."),
        };

    /// <summary>What stands in <c>If-Match: "mark"</c>; null where there is none.</summary>
    public static string? MarkOf(string? ifMatch) => ifMatch?.Trim().Trim('"') is { Length: > 0 } mark ? mark : null;

    /// <summary>The number in <c>If-Match: "7"</c>; null where there is none.</summary>
    public static long? VersionOf(string? ifMatch) =>
        long.TryParse(ifMatch?.Trim().Trim('"'), out var version) ? version : null;

    public static string ETagOf(long version) => $"\"{version}\"";
}
