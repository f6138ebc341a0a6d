using Dekoro.Core.Media;

namespace Dekoro.Application.Pictures;

/// <summary>What is to be different; null leaves a value as it is.</summary>
public sealed record DownloadChange(
    string? Title = null,
    string? Description = null,
    string? Folder = null,
    bool? HasOwnAddress = null,
    bool? IsAway = null
)
{
    /// <summary>The facts with what is to be different.</summary>
    public Download On(Download was) =>
        was with
        {
            Title = Title?.Trim() ?? was.Title,
            Description = Description ?? was.Description,
            Folder = Folder?.Trim() ?? was.Folder,
            HasOwnAddress = HasOwnAddress ?? was.HasOwnAddress,
        };

    /// <summary>Since when it waits to go; null for not at all.</summary>
    public DateTimeOffset? AwayOn(DateTimeOffset? was, DateTimeOffset now) =>
        IsAway is { } isAway && isAway != was is not null
            ? isAway
                ? now
                : null
            : was;
}
