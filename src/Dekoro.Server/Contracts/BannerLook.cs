namespace Dekoro.Server.Contracts;

/// <summary>How a banner comes out on a page.</summary>
/// <param name="Words">Whether they can be read, and how high it stands; null where nothing is behind them.</param>
/// <param name="Picture">Null where it has none.</param>
/// <param name="Notices">What is to be mended, in sentences.</param>
/// <param name="Shape">Of its place on desktop, as pictures are looked at through it; may be empty.
/// </param>
public sealed record BannerLook(
    BackdropResponse? Words,
    FigureResponse? Picture,
    IReadOnlyList<string> Notices,
    string Shape
);
