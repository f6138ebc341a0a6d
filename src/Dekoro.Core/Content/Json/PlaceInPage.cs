namespace Dekoro.Core.Content;

/// <summary>Where a piece stands while a document is read.</summary>
/// <param name="Depth">Pieces that it stands in, from the page, the band or the columns on.</param>
internal readonly record struct PlaceInPage(int Depth, bool InCell, bool InBand)
{
    /// <summary>Between the pieces of the page, or those of a band.</summary>
    public bool IsOnPage => Depth == 0;

    /// <summary>The same, or between the pieces of a cell.</summary>
    public bool IsOnPageOrInCell => Depth == (InCell ? 1 : 0);

    /// <summary>Of what stands in the piece here.</summary>
    public PlaceInPage Inside => this with { Depth = Depth + 1 };
}
