// A large library. Library rows DIR [N]     a data folder with N pictures (rows only), and how long searches of it take
// against a plain scan
//   Library photos DIR [N]   N photographs of 12 megapixels, to be taken in
//   Library drafts DIR [N]   N saves of a draft that wait for the disk, against the same that a power cut may take
using System.Diagnostics;
using System.Globalization;
using Dekoro.Bench;
using Dekoro.Core.Media;
using Dekoro.Storage;

var (what, folder, n) = (args[0], args[1], args.Length > 2 ? int.Parse(args[2], CultureInfo.InvariantCulture) : 0);
if (what == "photos")
{
    Photographs.Write(folder, n == 0 ? 200 : n);
    return;
}
if (what == "drafts")
{
    Drafts.Compare(folder, n == 0 ? 400 : n);
    return;
}
n = n == 0 ? 100_000 : n;
using var database = new Database(Path.Combine(folder, "dekoro.db"));
var assets = new Assets(database);
if (assets.Count() == 0)
    foreach (var asset in Rows.Of(n, seed: 20261125))
        assets.Add(asset);
string[] used = [.. Enumerable.Range(0, 400).Select(i => Rows.IdOf(i * (n / 400)))];
LibraryFilter[] switches =
[
    new(FilterKind.Shape, "wide"),
    new(FilterKind.Shape, "tall"),
    new(FilterKind.Unused),
    new(FilterKind.NoAlt),
    new(FilterKind.NoTitle),
    new(FilterKind.Soft),
];

var (ours, scans) = (new List<double>(), new List<double>());
foreach (var (first, second) in Rows.Pairs(60, seed: 7))
{
    var query = LibraryQuery.Read($"{first} {second} shape:wide wider:1600");
    var (total, ms) = Timed(() => assets.Search(query, used, 0, 120, switches).Total);
    ours.Add(ms);
    var (rival, scanMs) = Timed(() => Scan.Count(Path.Combine(folder, "dekoro.db"), first, second, used));
    scans.Add(scanMs);
    if (rival != total)
        throw new InvalidOperationException($"“{query.Written}” finds {total}, the scan {rival}.");
}
Console.WriteLine(
    $"Search of {n:N0} pictures, two words and two filters, first 120, total and six counts; {ours.Count} searches:"
);
Console.WriteLine($"  median {Part(ours, 0.5):0.0} ms, 95th percentile {Part(ours, 0.95):0.0} ms");
Console.WriteLine(
    $"  a plain scan of the same table: median {Part(scans, 0.5):0} ms, 95th percentile {Part(scans, 0.95):0} "
        + $"ms; it takes {Part(scans, 0.5) / Part(ours, 0.5):0} times as long (95th percentiles "
        + $"{Part(scans, 0.95) / Part(ours, 0.95):0})"
);
var (_, empty) = Timed(() => assets.Search(LibraryQuery.Read(""), used, 0, 120, switches));
Console.WriteLine($"  no words at all, with its counts: {empty:0} ms");

static (T Result, double Ms) Timed<T>(Func<T> work)
{
    var clock = Stopwatch.StartNew();
    var result = work();
    return (result, clock.Elapsed.TotalMilliseconds);
}

static double Part(List<double> all, double share) =>
    all.Order().ElementAt(Math.Min(all.Count - 1, (int)(all.Count * share)));
