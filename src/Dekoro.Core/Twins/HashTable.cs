using System.Numerics;

namespace Dekoro.Core.Twins;

/// <summary>
/// Numbers of 64 bits by each of their quarters: those that differ in few bits share one but for a bit.
/// </summary>
/// <remarks>
/// Multi-index hashing (Norouzi, Punjani and Fleet 2012). Whatever differs in <see cref="SureBits"/> at most has a
/// quarter that differs in one at most. What shares a quarter lies side by side, so that a look runs through memory
/// in order; what came since it was last sorted is looked at one by one.
/// </remarks>
internal sealed class HashTable
{
    /// <summary>Numbers that differ in so many bits at most are all found.</summary>
    public const int SureBits = 7;

    private const int Quarters = 4,
        BitsEach = 16,
        LeastUnsorted = 1024,
        UnsortedOf = 8;

    private readonly List<ulong> _all = [];
    private readonly Sorted[] _byQuarter = [.. Enumerable.Range(0, Quarters).Select(_ => Sorted.None)];
    private int _sorted;

    /// <summary>Adds the next number; they are counted from 0.</summary>
    public void Add(ulong bits) => _all.Add(bits);

    /// <summary>Adds which numbers differ in so many bits at most, some more than once.</summary>
    /// <param name="bits">What is looked for.</param>
    /// <param name="most">Of those beyond <see cref="SureBits"/> only some are found.</param>
    /// <param name="found">Which they are, by the order they were added in.</param>
    public void Near(ulong bits, int most, List<int> found)
    {
        if (_all.Count - _sorted > Math.Max(LeastUnsorted, _sorted / UnsortedOf))
            Sort();
        for (var i = _sorted; i < _all.Count; i++)
            if (BitOperations.PopCount(_all[i] ^ bits) <= most)
                found.Add(i);
        for (var quarter = 0; quarter < Quarters; quarter++)
        {
            var key = (ushort)(bits >> (quarter * BitsEach));
            NearIn(quarter, key, bits, most, found);
            for (var bit = 0; bit < BitsEach; bit++)
                NearIn(quarter, (ushort)(key ^ (1 << bit)), bits, most, found);
        }
    }

    private void NearIn(int quarter, ushort key, ulong bits, int most, List<int> found)
    {
        var sorted = _byQuarter[quarter];
        var next = NextOf(BitOperations.RotateRight(bits, quarter * BitsEach));
        for (var at = sorted.Starts[key]; at < sorted.Starts[key + 1]; at++)
            // What lies at hand rules out most, so that few are fetched from elsewhere.
            if (
                BitOperations.PopCount(sorted.Next[at] ^ next) <= most
                && BitOperations.PopCount(_all[sorted.Numbers[at]] ^ bits) <= most
            )
                found.Add(sorted.Numbers[at]);
    }

    private void Sort()
    {
        for (var quarter = 0; quarter < Quarters; quarter++)
            _byQuarter[quarter] = Sorted.By(_all, quarter * BitsEach);
        _sorted = _all.Count;
    }

    /// <summary>The two quarters after the lowest: enough to pass by most that share no more than that.</summary>
    private static uint NextOf(ulong turned) => (uint)(turned >> BitsEach);

    /// <param name="Starts">For each value of the quarter, and one beyond, where those that have it begin.</param>
    /// <param name="Numbers">Which they are.</param>
    /// <param name="Next">What follows the quarter in each.</param>
    private sealed record Sorted(int[] Starts, int[] Numbers, uint[] Next)
    {
        public static Sorted None { get; } = new(new int[(1 << BitsEach) + 1], [], []);

        public static Sorted By(List<ulong> all, int turnedBits)
        {
            var starts = new int[(1 << BitsEach) + 1];
            foreach (var bits in all)
                starts[(ushort)(bits >> turnedBits) + 1]++;
            for (var key = 0; key < 1 << BitsEach; key++)
                starts[key + 1] += starts[key];
            var (numbers, next, at) = (new int[all.Count], new uint[all.Count], (int[])starts.Clone());
            for (var i = 0; i < all.Count; i++)
            {
                var turned = BitOperations.RotateRight(all[i], turnedBits);
                var place = at[(ushort)turned]++;
                (numbers[place], next[place]) = (i, NextOf(turned));
            }
            return new(starts, numbers, next);
        }
    }
}
