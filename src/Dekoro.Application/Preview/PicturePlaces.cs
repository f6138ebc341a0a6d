using System.Collections.Concurrent;
using System.Collections.Immutable;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Application.Preview;

/// <summary>Where one picture stands on what is public; the same object as long as that is the same.</summary>
public sealed class PicturePlaces
{
    private readonly ImmutableSortedDictionary<string, ImmutableArray<Place>> _byPage;
    private readonly ConcurrentDictionary<Cut, (PictureFacts Picture, DeviceProfile Devices, Ladder Ladder)> _ladders =
        new();

    private PicturePlaces(ImmutableSortedDictionary<string, ImmutableArray<Place>> byPage) => _byPage = byPage;

    internal static PicturePlaces None { get; } =
        new(ImmutableSortedDictionary.Create<string, ImmutableArray<Place>>(StringComparer.Ordinal));

    internal bool IsEmpty => _byPage.IsEmpty;

    internal IEnumerable<Place> All => _byPage.Values.SelectMany(p => p);

    internal IEnumerable<Place> But(string pageId) => _byPage.Where(p => p.Key != pageId).SelectMany(p => p.Value);

    internal PicturePlaces With(string pageId, ImmutableArray<Place> places) =>
        new(places.IsEmpty ? _byPage.Remove(pageId) : _byPage.SetItem(pageId, places));

    /// <summary>The widths that serve all places of one cut, worked out once.</summary>
    public Ladder LadderOf(Cut cut, PictureFacts picture, DeviceProfile devices)
    {
        if (
            _ladders.TryGetValue(cut, out var known)
            && ReferenceEquals(known.Picture, picture)
            && ReferenceEquals(known.Devices, devices)
        )
            return known.Ladder;
        var slots = All.Where(p => p.Cut == cut).Select(p => p.Slot);
        var ladder = FigurePlanner.LadderOf(picture, cut, slots, devices);
        _ladders[cut] = (picture, devices, ladder);
        return ladder;
    }
}
