namespace Dekoro.Application.Ingest;

/// <summary>A mail waiting in the mailbox.</summary>
/// <param name="Id">Stays the same while the file does.</param>
/// <param name="Bytes">Of all of it: what is in it is read when it is opened.</param>
public sealed record MailLine(string Id, string Subject, string From, DateTimeOffset? Date, long Bytes)
{
    /// <summary>When it was taken in last; null where it was not.</summary>
    public DateTimeOffset? TakenAt { get; init; }
}
