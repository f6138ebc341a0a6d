using Dekoro.Core.Geometry;
using Dekoro.Core.Planning;

namespace Dekoro.Core.Library;

/// <summary>The kinds of picture file that are taken in.</summary>
public enum PictureFormat { Jpeg, Png, WebP, Avif, Gif, Svg, Tiff }

/// <summary>The words kept with a picture; none is ever null.</summary>
/// <param name="Source">Where it came from: a mail, an address, an archive's entry.</param>
/// <param name="Keywords">With commas between.</param>
public sealed record Words(
    string Title = "", string Alt = "", string Caption = "", string Description = "", string Credit = "", string Rights = "", string Folder = "", string Source = "",
    string Keywords = "")
{
    /// <summary>Under the site's own columns.</summary>
    public OwnWords Own { get; init; } = OwnWords.None;

    public IEnumerable<string> SplitKeywords() => Keywords.Split([',', ';'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    /// <summary>These words with some replaced; null leaves a word as it is.</summary>
    public Words With(
        string? title = null, string? alt = null, string? caption = null, string? description = null, string? credit = null, string? rights = null, string? folder = null, string? source = null,
        string? keywords = null, IEnumerable<KeyValuePair<string, string>>? own = null) =>
        new(title ?? Title, alt ?? Alt, caption ?? Caption, description ?? Description, credit ?? Credit, rights ?? Rights, folder ?? Folder, source ?? Source, keywords ?? Keywords) { Own = Own.With(own) };
}

/// <summary>What the computation knows of a picture: measured once, when it comes in.</summary>
/// <param name="Size">As seen, orientation and edits applied.</param>
/// <param name="Frames">1 for a still.</param>
/// <param name="Bytes">Expected bytes of a WebP of the whole picture, by width.</param>
/// <param name="Sharpness">Variance of the Laplacian over contrast on a 512 px copy; null until measured.</param>
/// <param name="Keep">Keep area, drawn or guessed; null where there is none yet.</param>
/// <param name="Edition">Number of the version in use; 0 is the original.</param>
public sealed record PictureFacts(
    string Id, string FileName, PictureFormat Format, PixelSize Size, bool HasAlpha, int Frames, long FileBytes,
    BytesModel Bytes, double? Sharpness, KeepBox? Keep, Words Words, int Edition = 0)
{
    public bool IsAnimated => Frames > 1;

    /// <summary>Drawn by the browser at any size from the one file.</summary>
    public bool IsVector => Format == PictureFormat.Svg;

    public KeepBox KeepOrMiddle => Keep ?? KeepBox.Middle;
}
