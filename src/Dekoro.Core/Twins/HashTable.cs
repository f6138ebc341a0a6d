namespace Dekoro.Core.Twins;

/// <summary>
/// Numbers of 64 bits by each of their quarters: those that differ in few bits share one but for a bit.
/// </summary>
/// <remarks>
/// Multi-index hashing (Norouzi, Punjani and Fleet 2012). Whatever differs in 7 bits at most has a quarter that differs
/// in one at most.
/// </remarks>
internal sealed class HashTable
{
    private const int Quarters = 4,
        BitsEach = 16;

    /// <summary>The last of each quarter's value, and for each the one before it; -1 where there is none.</summary>
    private readonly int[][] _last =
    [
        .. Enumerable.Range(0, Quarters).Select(_ => Enumerable.Repeat(-1, 1 << BitsEach).ToArray()),
    ];
    private readonly List<int>[] _before = [.. Enumerable.Range(0, Quarters).Select(_ => new List<int>())];

    /// <summary>Adds the next number; they are counted from 0.</summary>
    public void Add(ulong bits)
    {
        for (var quarter = 0; quarter < Quarters; quarter++)
        {
            ref var last = ref _last[quarter][Quarter(bits, quarter)];
            _before[quarter].Add(last);
            last = _before[quarter].Count - 1;
        }
    }

    /// <summary>Calls with each that may be near, some more than once.</summary>
    public void Near(ulong bits, Action<int> each)
    {
        for (var quarter = 0; quarter < Quarters; quarter++)
        {
            var key = Quarter(bits, quarter);
            Walk(quarter, key, each);
            for (var bit = 0; bit < BitsEach; bit++)
                Walk(quarter, key ^ (1 << bit), each);
        }
    }

    private void Walk(int quarter, int key, Action<int> each)
    {
        for (var at = _last[quarter][key]; at >= 0; at = _before[quarter][at])
            each(at);
    }

    private static int Quarter(ulong bits, int quarter) => (ushort)(bits >> (quarter * BitsEach));
}
