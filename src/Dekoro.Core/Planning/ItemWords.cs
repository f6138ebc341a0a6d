using Dekoro.Core.Arrangements;
using Dekoro.Core.Documents;
using Dekoro.Core.Library;

namespace Dekoro.Core.Planning;

/// <summary>Whose words they are: said in the arrangement, kept with the picture, or missing; or the picture says nothing on purpose.</summary>
public enum WordsFrom { Own, Library, Missing, Nothing }

/// <summary>What is read out and what is shown with a picture of an arrangement, whose words those are, and where a press leads.</summary>
/// <param name="CaptionSource">Which of the picture's words the caption is.</param>
public sealed record ItemWords(string Alt, WordsFrom AltFrom, string Caption, WordsFrom CaptionFrom, CaptionSource CaptionSource, FigureLinkKind LeadsTo)
{
    public static ItemWords Of(Arrangement set, ArrangementItem item, PictureFacts picture)
    {
        var (alt, choice) = (PagePlanner.AltOf(item.Alt, picture), set.CaptionOf(item));
        var caption = PagePlanner.CaptionOf(choice, picture);
        return new(alt, item.Alt.Decorative ? WordsFrom.Nothing : From(item.Alt.Own is not null, alt), caption,
            choice.Source == CaptionSource.None ? WordsFrom.Nothing : From(choice.Source == CaptionSource.Own, caption), choice.Source, set.LinkOf(item).Kind);
    }

    private static WordsFrom From(bool isOwn, string words) => isOwn ? WordsFrom.Own : words.Length > 0 ? WordsFrom.Library : WordsFrom.Missing;
}
