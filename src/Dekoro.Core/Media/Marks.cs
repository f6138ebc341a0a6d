namespace Dekoro.Core.Media;

/// <summary>What the library points out about a picture.</summary>
public static class Marks
{
    /// <summary>What is to be mended about it.</summary>
    public static IEnumerable<Mark> Of(PictureFacts picture)
    {
        if (picture.Metadata.Alt.Length == 0)
            yield return Mark.NoAlt;
        if (FileNames.SaysNothing(picture.Metadata.Title))
            yield return Mark.FileNameAsTitle;
        if (picture.IsBlurred)
            yield return Mark.Soft;
    }
}
