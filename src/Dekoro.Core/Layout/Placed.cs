using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;

namespace Dekoro.Core.Layout;

/// <summary>What the choices of a place come to with the picture that stands there.</summary>
public static class Placed
{
    /// <summary>
    /// How large one tile of a pattern stands, CSS px: sharp on screens of twice the density, a drawing as large as it
    /// says.
    /// </summary>
    public static (double Width, double Height) TilePx(PictureFacts picture) =>
        picture.IsVector
            ? (picture.Size.Width, picture.Size.Height)
            : (picture.Size.Width / Fit.MaxRatio, picture.Size.Height / Fit.MaxRatio);

    /// <summary>
    /// What a place shows of a picture: what was drawn by hand, or its shape, steered by the keep area, or the whole.
    /// </summary>
    public static Cut CutOf(CutChoice choice, PictureFacts picture) =>
        (choice.DrawnOn(picture.Id), choice.Shape) switch
        {
            ({ } drawn, _) => Cut.Drawn(drawn, picture.Size),
            (_, { } shape) => Cut.To(shape, picture.Size, picture.KeepOrMiddle),
            _ => Cut.Whole(picture.Size),
        };

    /// <summary>
    /// What a cut takes from the keep area; nothing where the picture has no keep area or stands as is.
    /// </summary>
    public static KeepLoss LossOf(CutChoice choice, PictureFacts picture, Cut cut) =>
        choice.IsAsIs(picture.Id) || picture.Keep is not { } keep ? default : cut.LossFrom(keep, picture.Size);

    /// <summary>The words under a figure; empty for none.</summary>
    public static string CaptionOf(FigureBlock figure, PictureFacts picture) => CaptionOf(figure.Caption, picture);

    /// <summary>The words of a caption; empty for none.</summary>
    public static string CaptionOf(CaptionChoice caption, PictureFacts picture) =>
        caption.Source switch
        {
            CaptionSource.Title => picture.Metadata.Title,
            CaptionSource.Credit => picture.Metadata.Credit,
            CaptionSource.Caption => picture.Metadata.Caption,
            CaptionSource.Description => picture.Metadata.Description,
            CaptionSource.Own => caption.Own,
            _ => "",
        };
}
