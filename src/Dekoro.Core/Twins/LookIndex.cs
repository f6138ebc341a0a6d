namespace Dekoro.Core.Twins;

/// <summary>Finds pictures that may look the same without comparing with all.</summary>
/// <remarks>Not for several threads at once.</remarks>
public sealed class LookIndex
{
    private readonly Dictionary<string, int> _numbers = [];

    /// <summary>By number; null where it is known anew under another, or forgotten.</summary>
    private readonly List<string?> _ids = [];
    private readonly Part _wholes = new(hasWaves: true),
        _cut = new(hasWaves: false);

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
        foreach (var (kind, hash) in look.Views)
            _wholes.Find(hash, byWaves: kind == 0, found);
        _cut.Find(look.Whole, byWaves: false, found);
        return [.. found.Select(number => _ids[number]).OfType<string>()];
    }

    /// <summary>Hashes of one kind of view, each with the number of its picture.</summary>
    private sealed class Part(bool hasWaves)
    {
        /// <summary>
        /// The two ways of mirroring differ a little, and one is looked up: what is near the other is not lost by a
        /// few bits.
        /// </summary>
        private const int MostBits = HashTable.SureBits + 3;

        private readonly List<(int Picture, PerceptualHash Hash)> _hashes = [];
        private readonly List<int> _near = [];
        private readonly HashTable _byBits = new(),
            _byWaves = new();

        public void Add(int picture, PerceptualHash hash)
        {
            _hashes.Add((picture, hash));
            _byBits.Add(hash.Bits);
            if (hasWaves)
                _byWaves.Add(hash.Waves);
        }

        /// <param name="hash">What they are to look like.</param>
        /// <param name="byWaves">Also those that are near by their waves alone, which takes twice the time.</param>
        /// <param name="found">Numbers of pictures.</param>
        public void Find(PerceptualHash hash, bool byWaves, HashSet<int> found)
        {
            _near.Clear();
            _byBits.Near(hash.Bits, MostBits, _near);
            _byBits.Near(hash.MirroredBits, MostBits, _near);
            if (byWaves)
            {
                _byWaves.Near(hash.Waves, HashTable.SureBits, _near);
                _byWaves.Near(hash.MirroredWaves, HashTable.SureBits, _near);
            }
            foreach (var at in _near)
                if (!found.Contains(_hashes[at].Picture) && hash.IsNear(_hashes[at].Hash))
                    found.Add(_hashes[at].Picture);
        }
    }
}
