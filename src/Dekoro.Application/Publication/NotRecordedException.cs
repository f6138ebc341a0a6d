namespace Dekoro.Application.Publication;

/// <summary>
/// The site went live, but what went live could not be written down; the next publishing or start does.
/// </summary>
public sealed class NotRecordedException(Exception cause)
    : Exception("What went live could not be written down.", cause);
