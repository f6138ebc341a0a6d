using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Layout;
using Dekoro.Core.Media;

namespace Dekoro.Core.Planning;

/// <summary>
/// What is read out and what is shown with a picture of an arrangement, whose words those are, and where a press leads.
/// </summary>
/// <param name="CaptionSource">Which of the picture's words the caption is.</param>
public sealed record ItemWords(
    string Alt,
    WordsFrom AltFrom,
    string Caption,
    WordsFrom CaptionFrom,
    CaptionSource CaptionSource,
    FigureLinkKind LeadsTo
)
{
    /// <summary>The words of an item: its own, or the library's.</summary>
    public static ItemWords Of(Arrangement set, ArrangementItem item, PictureFacts picture)
    {
        var (alt, choice) = (FigurePlanner.AltOf(item.Alt, picture), set.CaptionOf(item));
        var caption = Placed.CaptionOf(choice, picture);
        return new(
            alt,
            item.Alt.Decorative ? WordsFrom.Nothing : From(item.Alt.Own is not null, alt),
            caption,
            choice.Source == CaptionSource.None ? WordsFrom.Nothing : From(choice.Source == CaptionSource.Own, caption),
            choice.Source,
            set.LinkOf(item).Kind
        );
    }

    private static WordsFrom From(bool isOwn, string words) =>
        isOwn ? WordsFrom.Own
        : words.Length > 0 ? WordsFrom.Library
        : WordsFrom.Missing;
}
