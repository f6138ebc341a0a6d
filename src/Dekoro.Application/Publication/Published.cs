namespace Dekoro.Application.Publication;

/// <param name="Awaited">So many pages are joined by their smallest files later, by themselves.</param>
/// <param name="NextChange">The day on which it becomes another by itself; null for never.</param>
public sealed record Published(
    string Release,
    int Pages,
    int PicturesMade,
    int FilesWritten,
    int Files,
    long Bytes,
    string? NextChange,
    int Awaited = 0
);
