using System.Diagnostics;
using Dekoro.Core.Editing;
using Dekoro.Core.Media;
using Dekoro.Imaging;
using NetVips;

namespace Dekoro.Bench;

/// <summary>What measuring a photograph of 24 megapixels takes beside decoding it.</summary>
internal static class Speed
{
    public static void Print(string path)
    {
        var large = Path.Combine(Path.GetTempPath(), $"dekoro-large-{Guid.NewGuid():N}.jpg");
        using (var image = Image.Thumbnail(path, 6000, height: 4000, size: Enums.Size.Force))
            image.Jpegsave(large, q: 90);
        var size = Probe.Read(large, PictureFormat.Jpeg).Size;
        var decode = Median(() =>
        {
            using var image = Image.NewFromFile(large);
            using var held = image.CopyMemory();
        });
        var edges = Median(() => Measure.EdgePxOf(large, PictureFormat.Jpeg, size, Edits.None));
        Console.WriteLine(
            $"24 megapixels: widths of edges {edges:0} ms, one full decode {decode:0} ms; ratio {edges / decode:0.00} "
                + "(wanted for all that is measured: at most 0.5)"
        );
        File.Delete(large);
    }

    private static double Median(Action work)
    {
        var times = Enumerable
            .Range(0, 7)
            .Select(_ =>
            {
                var clock = Stopwatch.StartNew();
                work();
                return clock.Elapsed.TotalMilliseconds;
            });
        return times.Order().ElementAt(3);
    }
}
