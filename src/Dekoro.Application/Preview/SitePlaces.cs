using System.Collections.Immutable;
using Dekoro.Core.Planning;

namespace Dekoro.Application.Preview;

/// <summary>
/// Where each picture stands on what is public. What a page adds or takes touches its own pictures alone, and through
/// them the few pages that show the same.
/// </summary>
public sealed class SitePlaces
{
    private readonly ImmutableDictionary<string, PicturePlaces> _byPicture;

    private SitePlaces(ImmutableDictionary<string, PicturePlaces> byPicture) => _byPicture = byPicture;

    /// <summary>A site without pages.</summary>
    public static SitePlaces None { get; } = new(ImmutableDictionary<string, PicturePlaces>.Empty);

    /// <summary>All places of all pictures.</summary>
    public IEnumerable<Place> All => _byPicture.Values.SelectMany(p => p.All);

    /// <summary>Of one picture; null where no page shows it.</summary>
    public PicturePlaces? Of(string assetId) => _byPicture.GetValueOrDefault(assetId);

    /// <summary>Those of some pictures on all pages but one.</summary>
    public ImmutableArray<Place> Elsewhere(IEnumerable<string> assetIds, string exceptPage) =>
        [.. assetIds.SelectMany(id => Of(id)?.But(exceptPage) ?? [])];

    /// <summary>With other places of some pages.</summary>
    /// <param name="changed">Each page with the places it has now; without any for one that is gone.</param>
    /// <param name="before">The places that a page had; none for a new one.</param>
    public SitePlaces With(
        IReadOnlyCollection<(string PageId, ImmutableArray<Place> Places)> changed,
        Func<string, ImmutableArray<Place>> before
    )
    {
        if (changed.Count == 0)
            return this;
        var (byPicture, isChanged) = (_byPicture.ToBuilder(), false);
        foreach (var (pageId, places) in changed)
        {
            var (was, now) = (before(pageId).ToLookup(p => p.AssetId), places.ToLookup(p => p.AssetId));
            foreach (var id in was.Select(p => p.Key).Union(now.Select(p => p.Key)))
            {
                if (was[id].SequenceEqual(now[id]))
                    continue;
                isChanged = true;
                var next = (byPicture.GetValueOrDefault(id) ?? PicturePlaces.None).With(pageId, [.. now[id]]);
                if (next.IsEmpty)
                    byPicture.Remove(id);
                else
                    byPicture[id] = next;
            }
        }
        return isChanged ? new(byPicture.ToImmutable()) : this;
    }
}
