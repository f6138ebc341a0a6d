using System.Diagnostics;
using System.Globalization;
using Dekoro.Core.Layout;

// Rows of a gallery, broken over the whole list, against filling row after row: time, and how near rows come to the
// height wanted.
CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
const double Container = 1200,
    Target = 220,
    Gutter = 12;
const int Rounds = 21;
var random = new Random(20261128);
var many = Enumerable.Range(0, 20_000).Select(_ => Math.Pow(3, random.NextDouble() * 2 - 1)).ToArray();
var some = many[..2000];

var (whole, greedy, more) = (
    Time(() => RowBreaking.EndsOf(some, Container, Target, Gutter)),
    Time(() => RowBreaking.GreedyEndsOf(some, Container, Target, Gutter)),
    Time(() => RowBreaking.EndsOf(many, Container, Target, Gutter))
);
Console.WriteLine(
    $"Rows of 2,000 pictures: whole list {whole:0.000} ms, row after row {greedy:0.000} ms, ratio "
        + $"{whole / greedy:0.0} (wanted at most 20)"
);
Console.WriteLine(
    $"  sum of squared log height errors {Error(RowBreaking.EndsOf(some, Container, Target, Gutter)):0.00} "
        + $"against {Error(RowBreaking.GreedyEndsOf(some, Container, Target, Gutter)):0.00}"
);
Console.WriteLine($"  20,000 pictures {more:0.000} ms, growth {more / whole:0.0} (wanted at most 11)");

double Error(IReadOnlyList<int> ends) => RowBreaking.ErrorOf(some, ends, Container, Target, Gutter);

static double Time(Action act)
{
    for (var i = 0; i < 200; i++)
        act();
    return Enumerable
        .Range(0, Rounds)
        .Select(_ =>
        {
            var clock = Stopwatch.StartNew();
            act();
            return clock.Elapsed.TotalMilliseconds;
        })
        .Order()
        .ElementAt(Rounds / 2);
}
