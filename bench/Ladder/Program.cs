using System.Diagnostics;
using System.Globalization;
using Dekoro.Bench;

// ladder            compares both ways on a baseline and on a progressive file, each run in a process of its own ladder
// ours FILE  makes the ladder once, as publishing does ladder each FILE  makes the same files by one call of the same
// library for each
CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
if (args is [var way, var file])
{
    var folder = Directory.CreateTempSubdirectory("dekoro-bench").FullName;
    var clock = Stopwatch.StartNew();
    if (way == "ours")
        Ways.Ours(file, folder);
    else
        Ways.OneCallEach(file, folder);
    Console.WriteLine($"{clock.Elapsed.TotalSeconds} {PeakMb()}");
    Directory.Delete(folder, recursive: true);
    return;
}
const int Rounds = 5;
var sources = Directory.CreateTempSubdirectory("dekoro-bench-source").FullName;
foreach (var progressive in new[] { false, true })
{
    var source = Ways.Draw(sources, progressive);
    // In turns, so that both meet the same moods of the machine.
    var ours = new List<(double Seconds, double Mb)>();
    var each = new List<(double Seconds, double Mb)>();
    for (var round = 0; round < Rounds; round++)
    {
        ours.Add(Run("ours", source));
        each.Add(Run("each", source));
    }
    var (a, b) = (Median(ours.Select(r => r.Seconds)), Median(each.Select(r => r.Seconds)));
    Console.WriteLine(
        $"{(progressive ? "progressive" : "baseline")} JPEG of {Ways.Megapixels:0.0} MP, six widths in JPEG "
            + $"and WebP, median of {Rounds}:"
    );
    Console.WriteLine(
        $"  one decode {a:0.00} s, peak {ours.Max(r => r.Mb):0} MB; one call each {b:0.00} s, peak "
            + $"{each.Max(r => r.Mb):0} MB; ratio {a / b:0.00} (wanted at most {(progressive ? 0.25 : 0.45):0.00})"
    );
}
Directory.Delete(sources, recursive: true);

static double Median(IEnumerable<double> values) => values.Order().ElementAt(Rounds / 2);

static (double Seconds, double Mb) Run(string way, string source)
{
    var start = new ProcessStartInfo(Environment.ProcessPath!, [way, source]) { RedirectStandardOutput = true };
    using var process = Process.Start(start)!;
    var said = process.StandardOutput.ReadToEnd().Split(' ');
    process.WaitForExit();
    return (double.Parse(said[0], CultureInfo.InvariantCulture), double.Parse(said[1], CultureInfo.InvariantCulture));
}

static double PeakMb() =>
    double.Parse(
        File.ReadLines("/proc/self/status")
            .First(l => l.StartsWith("VmHWM", StringComparison.Ordinal))
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)[1],
        CultureInfo.InvariantCulture
    ) / 1024;
