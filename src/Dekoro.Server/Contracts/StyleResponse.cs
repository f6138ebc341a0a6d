using Dekoro.Core.Colour;
using Dekoro.Core.Site;

namespace Dekoro.Server.Contracts;

/// <summary>The site's style, and what it means for the site.</summary>
/// <param name="Seen">Names the style as it is, for saying with If-Match which one a change was made to.</param>
/// <param name="Pairs">Its colours over each other.</param>
/// <param name="NewPictures">How many pictures need files that are not made yet, and how many files those are.</param>
public sealed record StyleResponse(
    StyleValues Values,
    string Seen,
    IReadOnlyList<ColourPair> Pairs,
    int NewPictures,
    int NewFiles
);
