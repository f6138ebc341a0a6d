using System.Diagnostics;
using Dekoro.Storage;

namespace Dekoro.Bench;

/// <summary>
/// What it costs that an acknowledged draft is on the disk: saves with synchronous = FULL against NORMAL, in turn, on
/// the same disk.
/// </summary>
internal static class Drafts
{
    public static void Compare(string folder, int count)
    {
        var (durable, quick) = (new List<double>(), new List<double>());
        using var full = new Database(Path.Combine(folder, "full.db"));
        using var normal = new Database(Path.Combine(folder, "normal.db"), isDurable: false);
        var document =
            "{\"type\":\"doc\",\"content\":["
            + string.Join(
                ',',
                Enumerable
                    .Range(0, 60)
                    .Select(i =>
                        $"{{\"type\":\"paragraph\",\"attrs\":{{\"id\":\"p{i}\"}},"
                        + $"\"content\":[{{\"type\":\"text\",\"text\":\"{new string('k', 400)}\"}}]}}"
                    )
            )
            + "]}";
        foreach (var database in new[] { full, normal })
            new Pages(database).Add("a", "page", new("A", "a", "", document), DateTimeOffset.UtcNow);
        for (var i = 1; i <= count; i++)
        {
            durable.Add(Save(full, i, document));
            quick.Add(Save(normal, i, document));
        }
        Console.WriteLine($"Saves of a draft of {document.Length / 1000} kB, {count} each in turn:");
        Console.WriteLine(
            $"  on the disk when it is acknowledged: median {Part(durable, 0.5):0.00} ms, 95th percentile "
                + $"{Part(durable, 0.95):0.00} ms"
        );
        Console.WriteLine(
            $"  left to the system: median {Part(quick, 0.5):0.00} ms, 95th percentile "
                + $"{Part(quick, 0.95):0.00} ms; ratio of the medians {Part(durable, 0.5) / Part(quick, 0.5):0.0}"
        );
    }

    private static double Save(Database database, int version, string document)
    {
        var clock = Stopwatch.StartNew();
        new Pages(database).SaveDraft(
            "a",
            version,
            new($"T{version}", "a", "", document),
            new("Ana", DateTimeOffset.UtcNow)
        );
        return clock.Elapsed.TotalMilliseconds;
    }

    private static double Part(List<double> all, double share) =>
        all.Order().ElementAt(Math.Min(all.Count - 1, (int)(all.Count * share)));
}
