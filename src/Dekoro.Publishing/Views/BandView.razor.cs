using Dekoro.Core.Content;
using Dekoro.Core.Links;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Publishing.Views;

/// <summary>A band with what stands in it.</summary>
public partial class BandView
{
    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required BandBlock Band { get; set; }

    /// <summary>Where a press anywhere on it leads.</summary>
    private Link? Whole => Band.Link.Length == 0 ? null : Model.Plan.Links.GetValueOrDefault(Band.Link)?.Link;

    /// <summary>The words it says, as the name of its link.</summary>
    private string Says =>
        Band.Blocks.Select(b => b.ToPlainText()).FirstOrDefault(words => words.Length > 0) ?? Model.Plan.Page.Title;

    private string Classes => $"band {GroundView.ClassesOf(Plan, Band.Across, Band.Down)}{AtWidths}";

    /// <summary>Where words stand elsewhere at a width than at the others.</summary>
    private string AtWidths =>
        string.Concat(
            WidthClasses
                .All.Where(c => Band.Exceptions[c] is { } own && (own.Across ?? (object?)own.Down) is not null)
                .Select(c => (Name: SiteCss.Name(c), Here: Band.On(c)))
                .Select(at =>
                    $" {at.Name}-across-{SiteCss.NameOf(at.Here.Across)} {at.Name}-down-{SiteCss.NameOf(at.Here.Down)}"
                )
        );

    /// <summary>Pieces that are left out at a width, and those that begin or end the band in their stead.</summary>
    private Dictionary<string, string> Marks =>
        WidthClasses
            .All.Where(c => Band.Blocks.Any(b => Band.IsLeftOut(b, c)))
            .SelectMany(c =>
            {
                var (name, seen) = (SiteCss.Name(c), Band.On(c).Blocks);
                return Band
                    .Blocks.Where(b => Band.IsLeftOut(b, c))
                    .Select(b => (b.Id, Mark: $"hidden-{name}"))
                    .Concat(seen.Take(1).Select(b => (b.Id, Mark: $"{name}-first")))
                    .Concat(seen.TakeLast(1).Select(b => (b.Id, Mark: $"{name}-last")));
            })
            .GroupBy(mark => mark.Id)
            .ToDictionary(marks => marks.Key, marks => string.Join(' ', marks.Select(one => one.Mark)));

    private BackdropPlan Plan => Model.Plan.Grounds[Band.Id];
}
