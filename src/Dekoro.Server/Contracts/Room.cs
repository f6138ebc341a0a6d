namespace Dekoro.Server.Contracts;

/// <summary>All a room needs when a picture is opened in it.</summary>
/// <param name="CannotEdit">Why there is nothing to edit; null where there is.</param>
public sealed record Room(
    FileItem File,
    int OriginalWidth,
    int OriginalHeight,
    IReadOnlyList<VersionResponse> Versions,
    RoomResponse Look,
    double MostStraightenDeg,
    string? CannotEdit
);
