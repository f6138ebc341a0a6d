namespace Dekoro.Server.Contracts;

/// <summary>Within what the layout of an arrangement is set.</summary>
public sealed record ArrangementLimits(
    int MostColumns,
    int MostGutterPx,
    int LeastHeightPx,
    int MostHeightPx,
    int MostCaptionLines,
    int MostInView,
    int LeastStayMs,
    int MostStayMs,
    int MostChangeMs,
    int MostPerSheet,
    int UsualPerSheet,
    int MostPeekPx
);
