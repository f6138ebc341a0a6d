namespace Dekoro.Core.Twins;

/// <summary>Finds pictures that may look the same without comparing with all.</summary>
/// <remarks>Not for several threads at once.</remarks>
public sealed class LookIndex
{
    private readonly Dictionary<string, int> _numbers = [];

    /// <summary>By number; null where it is known anew under another, or forgotten.</summary>
    private readonly List<string?> _ids = [];
    private readonly Part _wholes = new(),
        _cut = new();

    /// <summary>How many pictures it knows.</summary>
    public int Count => _numbers.Count;

    /// <summary>Adds a picture, in the place of what is known of it.</summary>
    public void Set(string id, LookHashes? look)
    {
        Remove(id);
        if (look is null)
            return;
        _numbers[id] = _ids.Count;
        foreach (var (kind, hash) in look.Views)
            (kind == 0 ? _wholes : _cut).Add(_ids.Count, hash);
        _ids.Add(id);
    }

    /// <summary>Forgets a picture.</summary>
    public void Remove(string id)
    {
        if (_numbers.Remove(id, out var number))
            _ids[number] = null;
    }

    /// <summary>Those whose whole looks like the whole or a cut of this, or a cut of which looks like this.</summary>
    public IReadOnlyCollection<string> Near(LookHashes look)
    {
        var found = new HashSet<int>();
        foreach (var (_, hash) in look.Views)
            _wholes.Find(hash, found);
        _cut.Find(look.Whole, found);
        return [.. found.Select(number => _ids[number]).OfType<string>()];
    }

    /// <summary>Hashes of one kind of view, each with the number of its picture.</summary>
    private sealed class Part
    {
        private readonly List<(int Picture, PerceptualHash Hash)> _hashes = [];
        private readonly HashTable _byBits = new(),
            _byWaves = new();

        public void Add(int picture, PerceptualHash hash)
        {
            _hashes.Add((picture, hash));
            _byBits.Add(hash.Bits);
            _byWaves.Add(hash.Waves);
        }

        public void Find(PerceptualHash hash, HashSet<int> found)
        {
            _byBits.Near(hash.Bits, Take);
            _byBits.Near(hash.MirroredBits, Take);
            _byWaves.Near(hash.Waves, Take);
            _byWaves.Near(hash.MirroredWaves, Take);

            void Take(int at)
            {
                if (hash.IsNear(_hashes[at].Hash))
                    found.Add(_hashes[at].Picture);
            }
        }
    }
}
