using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;

namespace Dekoro.Intake;

/// <summary>A line of a table of pictures: what it says of one file. Null: the table has no such column.</summary>
/// <param name="File">The file's name, within a bundle with its folders.</param>
/// <param name="Id">The picture's id in the library it came from; empty where the table does not say.</param>
/// <param name="Keep">Keep area drawn by hand; null for none.</param>
/// <param name="Edits">Of the version in use; null where the table does not say.</param>
/// <param name="Own">Under the site's own columns; an empty text takes a word out.</param>
public sealed record TableRow(
    string File,
    string Id,
    string? Title = null,
    string? Alt = null,
    string? Caption = null,
    string? Description = null,
    string? Credit = null,
    string? Rights = null,
    string? Folder = null,
    string? Source = null,
    FocalRegion? Keep = null,
    Edits? Edits = null,
    string? Keywords = null,
    IReadOnlyDictionary<string, string>? Own = null
)
{
    /// <summary>Words with what the table says put in.</summary>
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
            Source = Source ?? was.Source,
            Keywords = Keywords ?? was.Keywords,
            Own = was.Own.With(Own),
        };

    /// <summary>The line of a picture.</summary>
    public static TableRow Of(string file, string id, PictureMetadata words, FocalRegion? keep, Edits edits) =>
        new(
            file,
            id,
            words.Title,
            words.Alt,
            words.Caption,
            words.Description,
            words.Credit,
            words.Rights,
            words.Folder,
            words.Source,
            keep,
            edits,
            words.Keywords,
            words.Own.Count == 0 ? null : words.Own
        );
}
