using System.Runtime;
using System.Runtime.InteropServices;

namespace Dekoro.Application.Hosting;

/// <summary>How the process holds memory: what was measured stands in docs/operating.md.</summary>
internal static class Memory
{
    /// <summary>
    /// M_ARENA_MAX of glibc: every arena keeps what was freed in it for itself, and there are eight a processor as a
    /// rule.
    /// </summary>
    private const int ArenaMax = -8,
        MaxArenas = 2;

    /// <summary>
    /// M_MMAP_THRESHOLD: buffers of pixels go back to the system when they are freed; left to itself the bound grows to
    /// 32 MB.
    /// </summary>
    private const int MapFrom = -3,
        MapFromBytes = 512 << 10;

    /// <summary>To be called first of all, before threads have arenas of their own.</summary>
    public static void Prepare()
    {
        try
        {
            _ = mallopt(ArenaMax, MaxArenas);
            _ = mallopt(MapFrom, MapFromBytes);
        }
        catch (EntryPointNotFoundException)
        {
            // Another C library: it has ways of its own.
        }
    }

    /// <summary>After much work at once, back to the system what is not in use.</summary>
    public static void GiveBack()
    {
        GCSettings.LargeObjectHeapCompactionMode = GCLargeObjectHeapCompactionMode.CompactOnce;
        GC.Collect(GC.MaxGeneration, GCCollectionMode.Aggressive, blocking: true, compacting: true);
        try
        {
            _ = malloc_trim(0);
        }
        catch (EntryPointNotFoundException)
        {
            // As above.
        }
    }

    [DllImport("libc")]
    private static extern int mallopt(int parameter, int value);

    [DllImport("libc")]
    private static extern int malloc_trim(nint pad);
}
