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
        was with
        {
            Title = Title ?? was.Title,
            Alt = Alt ?? was.Alt,
            Caption = Caption ?? was.Caption,
            Description = Description ?? was.Description,
            Credit = Credit ?? was.Credit,
            Rights = Rights ?? was.Rights,
            Folder = Folder ?? was.Folder,
            Keywords = Keywords ?? was.Keywords,
            Own = was.Own.With(Own),
        };
}
