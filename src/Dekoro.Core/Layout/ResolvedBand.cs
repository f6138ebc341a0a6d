using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Content;

namespace Dekoro.Core.Layout;

/// <summary>A band behind which the pictures of an arrangement follow one another, as it is now.</summary>
public sealed record ResolvedBand : BandBlock
{
    internal ResolvedBand(BandBlock band, Arrangement set)
        : base(band) => Set = set;

    /// <summary>The arrangement.</summary>
    public Arrangement Set { get; init; }

    /// <inheritdoc/>
    public override ImmutableArray<(FigureBlock Figure, int StayMs)> Followers =>
        Backdrop is not { AssetId: { } first, Repeats: false }
            ? []
            :
            [
                .. Set
                    .Shown.Where(i => !i.IsWordsAlone && i.AssetId != first)
                    .Select(i => (Placed(FollowerIdOf(i), i.AssetId), Set.StayOf(i))),
            ];

    /// <summary>The id of the figure of a picture that follows behind it.</summary>
    public string FollowerIdOf(ArrangementItem item) => Id + "-" + item.Id;
}
