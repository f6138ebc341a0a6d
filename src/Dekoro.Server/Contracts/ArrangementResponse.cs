using Dekoro.Core.Arrangements;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;

namespace Dekoro.Server.Contracts;

/// <param name="Notices">Of the whole set; those of single pictures stand with them.</param>
/// <param name="Timing">Of a slider or carousel on desktops.</param>
/// <param name="Uneven">Ids of items that stand out among the others by shape or size, where the cells are not of one
/// shape.</param>
/// <param name="Words">Of each picture, as the library has them; one that is missing is no longer there.</param>
/// <param name="ItemWords">What is read out and shown with each item.</param>
/// <param name="LargerBytes">About how much a picture weighs in the larger view, by the size of its file.</param>
/// <param name="OverSlides">How readable words over slides are; null where none have words.</param>
public sealed record ArrangementResponse(
    string Id,
    long Version,
    ArrangementValues Values,
    IReadOnlyDictionary<string, PictureMetadata> Words,
    IReadOnlyDictionary<string, ItemWords> ItemWords,
    IReadOnlyList<PageTitle> UsedIn,
    IReadOnlyList<string> Uneven,
    Timing? Timing,
    WordsOverResponse? OverSlides,
    ItemOrders Orders,
    IReadOnlyDictionary<string, long> LargerBytes,
    IReadOnlyDictionary<string, ItemFit> Fits,
    IReadOnlyDictionary<string, Dated> Dated,
    IReadOnlyList<string> Notices
);
