namespace Dekoro.Core.Arrangements;

/// <summary>
/// A gallery shown so many pictures at a time, each part at an address of its own, with links between them.
/// </summary>
public sealed record Paging(int PerSheet, PageLinksAt Links, PageLinksLook Look)
{
    /// <summary>The most pictures a page of a gallery may hold.</summary>
    public const int Max = 200;

    /// <summary>To begin with: full rows of two, three, four and six.</summary>
    public const int UsualPerSheet = 12;
}
