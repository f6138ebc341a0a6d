namespace Dekoro.Application.Publication;

/// <param name="NextChange">The day on which it becomes another by itself; null for never.</param>
public sealed record Published(
    string Release,
    int Pages,
    int PicturesMade,
    int FilesWritten,
    int Files,
    long Bytes,
    string? NextChange
);
