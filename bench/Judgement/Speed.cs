using System.Diagnostics;
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
        // What intake decodes anyway: once, half as large, and no more.
        var once = Median(() =>
        {
            using var image = Image.Thumbnail(large, size.Width / 2, height: 100_000);
            using var held = image.CopyMemory();
        });
        var probed = Probe.Read(large, PictureFormat.Jpeg);
        var all = Median(() => Measure.Read(large, probed));
        // How many bytes its files would have is told by making two of them: a forecast, and none of what is judged.
        using var shown = Image.Thumbnail(large, 1024, height: 100_000).CopyMemory();
        using var small = shown.Resize(320.0 / shown.Width).CopyMemory();
        var bytes = Median(() =>
        {
            shown.WebpsaveBuffer(q: 80, effort: 4, keep: Enums.ForeignKeep.None);
            small.WebpsaveBuffer(q: 80, effort: 4, keep: Enums.ForeignKeep.None);
        });
        var judged = all - once - bytes;
        Console.WriteLine(
            $"24 megapixels: one full decode {decode:0} ms, intake's own {once:0} ms; all that is measured {all:0} ms, "
                + $"of which bytes of files {bytes:0} ms and what is judged {judged:0} ms, ratio to a full decode "
                + $"{judged / decode:0.00} (wanted: at most 0.5)"
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
