using System.Collections.Immutable;
using System.Text.Json;
using CsCheck;
using Dekoro.Core.Banners;
using Dekoro.Core.Calendar;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using NodaTime;

namespace Dekoro.Core.Tests.Banners;

public sealed class BannerOrderTests
{
    private static readonly BandBlock Empty = new(
        "b",
        Backdrop.None,
        default,
        HorizontalAlign.Left,
        VerticalAlign.Middle,
        []
    );

    private static readonly ImmutableArray<BannerPage> Pages =
    [
        new("home", false, ""),
        new("visit", false, "visit"),
        new("old", true, "news/2025/storm"),
        new("new", true, "news/2026/lanterns"),
    ];

    private static readonly Gen<LocalDate> Days = Gen.Int[0, 3652].Select(n => new LocalDate(2023, 1, 1).PlusDays(n));

    private static readonly Gen<BannerTarget> Targets = Gen.OneOf(
        Gen.Const<BannerTarget>(new BannerTarget.AllPages()),
        Gen.Const<BannerTarget>(new BannerTarget.AllPosts()),
        Gen.OneOfConst("news", "news/2026", "new").Select(BannerTarget (f) => new BannerTarget.PostsUnder(f)),
        Gen.OneOfConst("home", "visit", "old", "new", "gone").Select(BannerTarget (p) => new BannerTarget.OnePage(p))
    );

    private static readonly Gen<RunDates?> Dates = Gen.Select(Days, Days, Gen.Bool, Gen.Int[0, 5])
        .Select(
            (a, b, yearly, ends) =>
                RunDates
                    .Read(
                        ends == 1 && !yearly ? "" : Iso(yearly || a < b ? a : b),
                        ends == 2 && !yearly ? "" : Iso(yearly || a < b ? b : a),
                        yearly
                    )
                    .Dates
        );

    private static string Iso(LocalDate day) => day.ToString("uuuu-MM-dd", null);

    private static readonly Gen<BannerOrder> Orders = Gen.Select(
            Gen.Int[0, 9].Select(n => n > 0),
            Gen.Int[0, 5].Select(n => n == 0),
            Gen.OneOf(Dates, Dates.Select(RunDates? (_) => null)),
            Targets.Array[0, 3]
        )
        .Array[0, 9]
        .Select(all => new BannerOrder([
            .. all.Select(
                (b, i) =>
                    new Banner(
                        $"b{i}",
                        $"Banner {i}",
                        b.Item1,
                        b.Item2,
                        b.Item2 ? null : b.Item3,
                        [.. b.Item4],
                        false,
                        Empty
                    )
            ),
        ]));

    /// <summary>The rule said once more, as plainly as it can be, a day at a time.</summary>
    private static string? Oracle(BannerOrder order, BannerPage page, LocalDate day)
    {
        foreach (var b in order.All)
        {
            if (b.IsOn && !b.IsStanding && b.Targets.Any(t => Names(t, page)) && Runs(b.Dates, day))
                return b.Id;
        }
        foreach (var closeness in new[] { 2, 1, 0 })
        foreach (var b in order.All)
            if (b is { IsOn: true, IsStanding: true } && b.Targets.Any(t => Names(t, page) && t.Closeness == closeness))
                return b.Id;
        return null;
    }

    private static bool Names(BannerTarget target, BannerPage page) =>
        target switch
        {
            BannerTarget.OnePage one => one.PageId == page.Id,
            BannerTarget.AllPages => !page.IsPost,
            BannerTarget.AllPosts => page.IsPost,
            BannerTarget.PostsUnder under => page.IsPost && page.Path.StartsWith(under.Folder + "/"),
            _ => false,
        };

    private static bool Runs(RunDates? dates, LocalDate day)
    {
        if (dates is null)
            return true;
        if (!dates.Yearly)
            return (dates.From is null || day >= dates.From) && (dates.Until is null || day <= dates.Until);
        int Of(int month, int date) => month * 100 + date;
        var isLeap = CalendarSystem.Iso.IsLeapYear(day.Year);
        var (from, until) = (
            Of(dates.From!.Value.Month, dates.From.Value.Day),
            Of(dates.Until!.Value.Month, dates.Until.Value.Day)
        );
        var wraps = from > until;
        if (!isLeap && from == 229)
            from = 301;
        if (!isLeap && until == 229)
            until = 228;
        var now = Of(day.Month, day.Day);
        return wraps ? now >= from || now <= until : now >= from && now <= until;
    }

    [Fact]
    public void What_stands_at_the_top_is_what_the_rule_says_for_every_day_and_spans_are_those_days_joined() =>
        Gen.Select(Orders, Gen.Int[0, 3], Gen.Int[2023, 2032])
            .Sample(
                (order, at, year) =>
                {
                    var (first, last) = (new LocalDate(year, 1, 1), new LocalDate(year, 12, 31));
                    var spans = order.Over(Pages[at], first, last);
                    var days = spans
                        .SelectMany(s =>
                            Enumerable
                                .Range(0, Period.DaysBetween(s.From, s.Until) + 1)
                                .Select(n => (Day: s.From.PlusDays(n), s.BannerId))
                        )
                        .ToList();
                    for (var (day, i) = (first, 0); day <= last; (day, i) = (day.PlusDays(1), i + 1))
                    {
                        var due = Oracle(order, Pages[at], day);
                        Assert.Equal((day, due), days[i]);
                        Assert.Equal(due, order.On(Pages[at], day)?.Id);
                    }
                    Assert.Equal(Period.DaysBetween(first, last) + 1, days.Count);
                    Assert.All(spans.Zip(spans.Skip(1)), pair =>
                        Assert.NotEqual(pair.First.BannerId, pair.Second.BannerId)
                    );
                    Assert.Equal(spans, order.OverAll(Pages, first, last)[Pages[at].Id]);
                    Assert.Equal(spans.Skip(1).Select(s => s.From), order.ChangesWithin(Pages[at], first, last));
                },
                iter: 1000
            );

    [Fact]
    public void A_banner_is_called_unseen_exactly_where_no_page_shows_it_on_any_day_though_it_could() =>
        Gen.Select(Orders, Gen.Int[2023, 2032])
            .Sample(
                (order, year) =>
                {
                    var (first, last) = (new LocalDate(year, 1, 1), new LocalDate(year, 12, 31));
                    var days = Enumerable.Range(0, Period.DaysBetween(first, last) + 1).Select(first.PlusDays).ToList();
                    var seen = Pages.SelectMany(p => days.Select(d => Oracle(order, p, d))).ToHashSet();
                    var due = order
                        .All.Where(b => b.IsOn && !seen.Contains(b.Id))
                        .Where(b => !Pages.Any(b.IsAimedAt) || b.IsStanding || days.Any(d => Runs(b.Dates, d)));
                    Assert.Equal(due.Select(b => b.Id), Unseen.Of(order, Pages, first, last).Select(u => u.BannerId));
                },
                iter: 200
            );

    [Fact]
    public void A_banner_comes_back_from_what_is_kept_as_it_was_and_what_cannot_be_gets_a_sentence()
    {
        var values = BannerValues.Of(
            new Banner(
                "x",
                "Winter",
                true,
                false,
                RunDates.Read("2026-11-01", "2027-01-31", true).Dates,
                [new BannerTarget.AllPages(), new BannerTarget.PostsUnder("news"), new BannerTarget.OnePage("home")],
                true,
                Empty with
                {
                    Link = "page:home",
                }
            )
        );
        var read = BannerValues.Read(values.Write()).Check("x").Banner!;
        Assert.Equal(values.Write(), BannerValues.Of(read).Write());
        Assert.Equal("page:home", read.Band.Link);
        Assert.Equal("name", (values with { Name = " " }).Check("x").Field);
        Assert.Equal("dates", (values with { Yearly = false, Until = "2026-10-01" }).Check("x").Field);
        Assert.Equal("targets", (values with { Targets = [new(TargetKind.Page)] }).Check("x").Field);
        using var text = JsonDocument.Parse("{\"type\":\"paragraph\",\"attrs\":{\"id\":\"a\"}}");
        Assert.Equal("band", (values with { Band = text.RootElement }).Check("x").Field);
        Assert.Equal("band", (values with { Band = default }).Check("x").Field);
    }
}
