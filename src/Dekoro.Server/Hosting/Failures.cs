using Dekoro.Storage;
using Microsoft.Data.Sqlite;

namespace Dekoro.Server.Hosting;

/// <summary>
/// What is answered where something failed that no endpoint expects: a status and a sentence, and nothing of this
/// machine's insides.
/// </summary>
internal static class Failures
{
    private const string FullDisk =
        "The disk is full, so this was not kept; all that was kept before is safe, and what you typed is "
        + "still in your window. Free some space: it is tried again by itself.";

    private const string BusyDatabase =
        "Another program holds the database, so this was not kept yet; what you typed is still in your "
        + "window. It is tried again by itself.";

    public static int StatusOf(Exception e) =>
        e switch
        {
            _ when DurableWrites.IsFull(e) => StatusCodes.Status507InsufficientStorage,
            _ when IsBusy(e) => StatusCodes.Status503ServiceUnavailable,
            BadHttpRequestException bad => bad.StatusCode,
            _ => StatusCodes.Status500InternalServerError,
        };

    public static string? SentenceOf(Exception? e, int? status) =>
        e switch
        {
            not null when DurableWrites.IsFull(e) => FullDisk,
            not null when IsBusy(e) => BusyDatabase,
            _ => status switch
            {
                400 => "This request could not be read: check it against /openapi/v1.json.",
                404 => "There is nothing at this address.",
                413 => "This is larger than is taken here: send less at once.",
                500 => "Something went wrong here that should not have; nothing you had saved is lost. Try again.",
                _ => null,
            },
        };

    /// <summary>SQLITE_BUSY or SQLITE_LOCKED, after the time for which it is waited.</summary>
    private static bool IsBusy(Exception e) => e is SqliteException { SqliteErrorCode: 5 or 6 };
}
