namespace Dekoro.Core.Media;

/// <summary>Two pictures that look alike made one.</summary>
public static class Merging
{
    /// <summary>
    /// The words of the one that stays, filled up where it has none, and a title that says nothing replaced by one that
    /// does.
    /// </summary>
    public static PictureMetadata Words(PictureMetadata stays, PictureMetadata goes) =>
        new(
            Title: FileNames.SaysNothing(stays.Title) && !FileNames.SaysNothing(goes.Title) ? goes.Title : stays.Title,
            Alt: Or(stays.Alt, goes.Alt),
            Caption: Or(stays.Caption, goes.Caption),
            Description: Or(stays.Description, goes.Description),
            Credit: Or(stays.Credit, goes.Credit),
            Rights: Or(stays.Rights, goes.Rights),
            Folder: Or(stays.Folder, goes.Folder),
            Source: Or(stays.Source, goes.Source),
            Keywords: string.Join(
                ", ",
                stays.SplitKeywords().Union(goes.SplitKeywords(), StringComparer.OrdinalIgnoreCase)
            )
        )
        {
            Own = goes.Own.With(stays.Own),
        };

    private static string Or(string first, string second) => first.Length > 0 ? first : second;
}
