using Dekoro.Application.Pictures;
using Dekoro.Core.Media;

namespace Dekoro.Server.Contracts;

/// <param name="Picture">Names its proofs: the id with the version in use.</param>
/// <param name="SuggestedTitle">Empty where the file's name gives nothing readable.</param>
/// <param name="Places">How many places it stands in.</param>
/// <param name="Twins">Ids of those in the library that look the same.</param>
/// <param name="AwaySince">Since when it is taken away; null while it is in the library.</param>
/// <param name="OwnAddress">Where it is on the public site even where no page shows it, from its root.</param>
/// <param name="GoesOn">When it goes for good; null while it is in the library.</param>
public sealed record FileItem(
    string Id,
    string Picture,
    string FileName,
    PictureFormat Format,
    int Width,
    int Height,
    int Frames,
    long Bytes,
    string Colour,
    bool HasAlpha,
    PictureMetadata Words,
    KeepArea? Keep,
    IReadOnlyList<Mark> Marks,
    string SuggestedTitle,
    int Places,
    DateTimeOffset AddedAt,
    string? TakenOn,
    long Version,
    IReadOnlyList<string> Twins,
    DateTimeOffset? AwaySince,
    DateTimeOffset? GoesOn,
    string AddedBy,
    IReadOnlyList<string> Colours,
    string? OwnAddress,
    TrialPlacementResponse? Through = null
);
