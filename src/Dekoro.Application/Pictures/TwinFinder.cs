using Dekoro.Application.Hosting;
using Dekoro.Core.Twins;
using Dekoro.Imaging;

namespace Dekoro.Application.Pictures;

/// <summary>Finds pictures of the library that look the same: few by an index, and of those each compared.</summary>
public sealed class TwinFinder(Workspace workspace)
{
    /// <summary>Of very many that may look the same, regular or plain ones, so many are compared.</summary>
    private const int MostCompared = 200;

    private readonly Lock _lock = new();
    private LookIndex? _index;

    /// <summary>Those that look like a picture, which need not be there itself.</summary>
    public IReadOnlyList<string> Find(string id, Look look)
    {
        if (look.Hashes is null)
            return [];
        string[] near;
        lock (_lock)
            near = [.. Index().Near(look.Hashes).Where(other => other != id).Take(MostCompared)];
        return near.Length == 0 ? [] : [.. workspace.Looks.Copies(near).Where(IsTwin).Select(other => other.Id)];

        bool IsTwin((string Id, byte[] Copy, Core.Geometry.AspectRatio Shape) other) =>
            TwinComparison.Of(look, new(SmallCopies.Read(other.Copy), other.Shape, null)) is { AreTwins: true };
    }

    /// <summary>Records what a picture looks like, and which others look the same.</summary>
    /// <param name="look">Null of one that could not be read.</param>
    /// <returns>Those others.</returns>
    public IReadOnlyList<string> Tell(string id, Look? look)
    {
        // Known before it is looked for: of two that come at the same moment the later one finds the other.
        workspace.Looks.Tell(id, look?.Hashes, look is null ? [] : SmallCopies.ToWebP(look.Copy));
        lock (_lock)
            Index().Set(id, look?.Hashes);
        var twins = look is null ? [] : Find(id, look);
        workspace.Looks.Pair(id, twins);
        return twins;
    }

    /// <summary>How two pictures lie on each other; null where nothing is known of one of them.</summary>
    public TwinMatch? Match(string id, string other)
    {
        var copies = workspace.Looks.Copies([id, other]).Where(c => c.Copy.Length > 0).ToDictionary(c => c.Id);
        return copies.TryGetValue(id, out var a) && copies.TryGetValue(other, out var b)
            ? TwinComparison.Of(
                new(SmallCopies.Read(a.Copy), a.Shape, null),
                new(SmallCopies.Read(b.Copy), b.Shape, null)
            )
            : null;
    }

    /// <summary>Read once, when it is first asked for; pictures that are gone for good lead nowhere.</summary>
    private LookIndex Index()
    {
        if (_index is not null)
            return _index;
        _index = new();
        foreach (var (id, hashes) in workspace.Looks.All())
            _index.Set(id, hashes);
        return _index;
    }
}
