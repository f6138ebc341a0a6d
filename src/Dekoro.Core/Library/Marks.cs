using Dekoro.Core.Planning;

namespace Dekoro.Core.Library;

/// <summary>What is still to be mended about a picture, before it is placed anywhere.</summary>
public enum Mark { NoAlt, FileNameAsTitle, Soft }

public static class Marks
{
    public static IEnumerable<Mark> Of(PictureFacts picture)
    {
        if (picture.Words.Alt.Length == 0) yield return Mark.NoAlt;
        if (FileNames.SaysNothing(picture.Words.Title)) yield return Mark.FileNameAsTitle;
        if (!picture.IsVector && picture.Sharpness < Fit.BlurredBelow) yield return Mark.Soft;
    }
}
