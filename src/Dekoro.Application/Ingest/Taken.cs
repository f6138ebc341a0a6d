namespace Dekoro.Application.Ingest;

/// <summary>What became of one file that was given.</summary>
/// <param name="Id">The picture's id; null where it was refused or is no picture.</param>
/// <param name="WasThere">The same file was in the library already, under this id.</param>
/// <param name="Note">Something the person should know although the file was taken.</param>
/// <param name="DownloadId">The id it is kept under where it is no picture.</param>
/// <param name="Error">A sentence saying why it was refused and what to do.</param>
public sealed record Taken(
    string Name,
    string? Id,
    bool WasThere = false,
    string? Note = null,
    string? Error = null,
    string? DownloadId = null
)
{
    /// <summary>Whether nothing was kept of it.</summary>
    public bool IsRefused => Id is null && DownloadId is null;
}
