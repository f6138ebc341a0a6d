using Dekoro.Core.Choices;
using Dekoro.Core.Delivery;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;
// Written by hand, for white space between the parts of a picture would show; each is drawn once, so that no number has
// to find its part again.
#pragma warning disable ASP0006

namespace Dekoro.Publishing.Views;

/// <summary>A picture with the files that browsers choose from.</summary>
public partial class PictureView
{
    /// <summary>
    /// A picture of nothing, for which nothing is fetched: where a picture is hidden, or something else is seen.
    /// </summary>
    internal const string Nothing = "data:image/svg+xml,%3Csvg%20xmlns='http://www.w3.org/2000/svg'/%3E";

    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required FigurePlan Figure { get; set; }

    /// <summary>What is read out in place of its own words, where something else says them.</summary>
    [Parameter]
    public string? Alt { get; set; }

    /// <summary>The media type of a format (IANA).</summary>
    public static string MimeOf(OutputFormat format) =>
        format switch
        {
            OutputFormat.Jpeg => "image/jpeg",
            OutputFormat.Svg => "image/svg+xml",
            _ => "image/" + format.ToString().ToLowerInvariant(),
        };

    /// <summary>Files with their widths (HTML, srcset).</summary>
    public static string SrcSet(PageModel model, IReadOnlyList<PlannedFile> files) =>
        string.Join(
            ", ",
            files.Select(f =>
                model.Files.AddressOf(f, model.Root)
                + (f.IsUnchanged ? "" : string.Create(CultureInfo.InvariantCulture, $" {f.WidthPx}w"))
            )
        );

    /// <summary>Keeps a figure's room on each class of screen.</summary>
    public static string ShapeStyleOf(FigurePlan figure) =>
        figure.Cuts.Length == 1
            ? "aspect-ratio:" + ShapeOf(figure.Main)
            : string.Join(
                ';',
                WidthClasses
                    .All.Where(c => figure.On(c) is not null)
                    .Select(c => $"--shape-{SiteCss.Name(c)}:{ShapeOf(figure.On(c)!)}")
            );

    private static string ShapeOf(PlannedCut cut) =>
        string.Create(CultureInfo.InvariantCulture, $"{cut.Cut.Width}/{cut.Cut.Height}");

    private RenderFragment Picture =>
        builder =>
        {
            var i = 0;
            var steps = WidthStep.Of(Figure, Model.Plan.Layout.Style.Classes);
            // The narrowest step needs no condition: what it offers stands on the img, unless nothing shows there.
            var last = steps[^1].Cut ?? Figure.Main;
            var offered = Model.Files.Offered(last);
            var many = steps.Length > 1 || offered.Count > 1;
            if (many)
            {
                builder.OpenElement(i++, "picture");
                foreach (var step in steps)
                {
                    var isLast = step == steps[^1];
                    if (step.Cut is null)
                        Source(step, null, null);
                    else
                        foreach (var files in Model.Files.Offered(step.Cut).SkipLast(isLast ? 1 : 0))
                            Source(step, step.Cut, files);
                }
            }
            builder.OpenElement(i++, "img");
            // Before its addresses: a copy that a script makes takes attributes one by one, and would fetch at once.
            if (Figure.Loading == Loading.Later)
                builder.AddAttribute(i++, "loading", "lazy");
            // Safari fetches src at once where it comes before srcset and sizes.
            if (!last.IsUnchanged)
                Candidates(steps[^1].SlotOf(last), offered[^1]);
            builder.AddAttribute(i++, "src", Model.Files.AddressOf(offered[^1][offered[^1].Count / 2], Model.Root));
            Extent(last);
            // Behind words it covers what they need; elsewhere it keeps its room from the start, and no file's own px
            // change it.
            if (Figure.Block.Size is FigureSize.Behind)
                builder.AddAttribute(i++, "class", "ground");
            else
                builder.AddAttribute(i++, "style", ShapeStyleOf(Figure));
            builder.AddAttribute(i++, "alt", Alt ?? Figure.Alt);
            if (Figure.Loading == Loading.First)
                builder.AddAttribute(i++, "fetchpriority", "high");
            else
                builder.AddAttribute(i++, "decoding", "async");
            builder.CloseElement();
            if (many)
                builder.CloseElement();

            void Source(WidthStep step, PlannedCut? cut, IReadOnlyList<PlannedFile>? files)
            {
                builder.OpenElement(i++, "source");
                if (step.FromPx > 0)
                    builder.AddAttribute(i++, "media", step.Media);
                // HTML wants a condition on what stands before an img that offers files itself.
                else if (cut is null)
                    builder.AddAttribute(i++, "media", step.MediaAlone);
                if (cut is null || files is null)
                    builder.AddAttribute(i++, "srcset", Nothing);
                else
                {
                    builder.AddAttribute(i++, "type", MimeOf(files[0].Format));
                    if (cut.IsUnchanged)
                        builder.AddAttribute(i++, "srcset", SrcSet(Model, files));
                    else
                        Candidates(step.SlotOf(cut), files);
                    // Without them the browser keeps the shape of another source.
                    if (Figure.Cuts.Length > 1)
                        Extent(cut);
                }
                builder.CloseElement();
            }

            void Candidates(SlotWidth slot, IReadOnlyList<PlannedFile> files)
            {
                builder.AddAttribute(i++, "sizes", slot.ToSizes());
                builder.AddAttribute(i++, "srcset", SrcSet(Model, files));
            }

            void Extent(PlannedCut cut)
            {
                builder.AddAttribute(i++, "width", cut.Cut.Width.ToString(CultureInfo.InvariantCulture));
                builder.AddAttribute(i++, "height", cut.Cut.Height.ToString(CultureInfo.InvariantCulture));
            }
        };
}
