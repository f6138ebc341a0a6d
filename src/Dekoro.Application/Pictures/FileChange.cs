using Dekoro.Core.Media;

namespace Dekoro.Application.Pictures;

/// <summary>What is to be different; null leaves a value as it is.</summary>
public sealed record FileChange(
    string? Title = null,
    string? Alt = null,
    string? Caption = null,
    string? Description = null,
    string? Credit = null,
    string? Rights = null,
    string? Folder = null,
    KeepArea? Keep = null,
    string? Keywords = null,
    IReadOnlyDictionary<string, string>? Own = null,
    bool? HasOwnAddress = null
)
{
    /// <summary>The words as they are then.</summary>
    public PictureMetadata On(PictureMetadata was) =>
        was.With(Title, Alt, Caption, Description, Credit, Rights, Folder, keywords: Keywords, own: Own);
}
