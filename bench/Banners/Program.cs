using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using Dekoro.Core.Banners;
using NodaTime;

// What stands at the top of 1,000 pages on every day of a year, of 200 banners, against reading their list once.
var random = new Random(1);
var band = JsonSerializer.SerializeToElement(new { type = "band", attrs = new { id = "banner", colour = "#143c58" } });
var pages = Enumerable
    .Range(0, 1000)
    .Select(i => new BannerPage($"p{i}", i % 3 == 0, i % 3 == 0 ? $"news/{2020 + i % 7}/p{i}" : $"p{i}"))
    .ToList();
var stored = Enumerable
    .Range(0, 200)
    .Select(i =>
    {
        var from = new LocalDate(2026, 1, 1).PlusDays(random.Next(365));
        TargetValues target = random.Next(4) switch
        {
            0 => new(TargetKind.Pages),
            1 => new(TargetKind.Posts),
            2 => new(TargetKind.Folder, $"news/{2020 + random.Next(7)}"),
            _ => new(TargetKind.Page, $"p{random.Next(1000)}"),
        };
        return new BannerValues(
            $"Banner {i}",
            [target],
            band,
            true,
            i % 50 == 0,
            Iso(from),
            Iso(from.PlusDays(random.Next(90))),
            true
        ).Write();
    })
    .ToList();

BannerOrder ReadList() => new([.. stored.Select((s, i) => BannerValues.Read(s).Check($"b{i}").Banner!)]);
var order = ReadList();
var (first, last) = (new LocalDate(2028, 1, 1), new LocalDate(2028, 12, 31));

double MsOf(Action work)
{
    work();
    var best = double.MaxValue;
    for (var i = 0; i < 7; i++)
    {
        var watch = Stopwatch.StartNew();
        work();
        best = Math.Min(best, watch.Elapsed.TotalMilliseconds);
    }
    return best;
}

var reading = MsOf(() => ReadList());
var resolving = MsOf(() => order.OverAll(pages, first, last));
var daily =
    MsOf(() =>
    {
        foreach (var page in pages.Take(20))
            for (var day = first; day <= last; day = day.PlusDays(1))
                order.On(page, day);
    })
    * pages.Count
    / 20;
Console.WriteLine(
    string.Create(
        CultureInfo.InvariantCulture,
        $"Banners: reading the list of 200 {reading:0.0} ms; 1,000 pages over 366 days {resolving:0.0} ms, "
            + $"{resolving / reading:0.0} times that; a day at a time {daily:0} ms, {daily / resolving:0} times as long"
    )
);

static string Iso(LocalDate day) => day.ToString("uuuu-MM-dd", CultureInfo.InvariantCulture);
