using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Publishing.Views;

/// <summary>A picture with its caption and its link.</summary>
public partial class FigureView
{
    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required FigurePlan Figure { get; set; }

    private bool OpensNewWindow => Figure.Link?.OpensNewWindow ?? false;

    /// <summary>Names the set among which the larger view goes on.</summary>
    [Parameter]
    public string? Larger { get; set; }

    private (int Width, int Height)? LargeSize =>
        Figure.LargeFile is not { } file ? null
        : file.IsUnchanged ? (file.Cut.Width, file.Cut.Height)
        : (file.WidthPx, (int)Math.Round((double)file.WidthPx * file.Cut.Height / file.Cut.Width));

    private string Classes
    {
        get
        {
            var classes = ClassesOf(Figure.Block, Figure.Beside, Model.Plan.Layout);
            if (!IsFramed)
                return classes;
            return classes
                + " framed"
                + (Figure.Block.FrameStyle.Own is null ? " look-" + Figure.Block.FrameStyle.NamedId : "");
        }
    }

    private bool IsFramed => Model.Plan.Layout.Style.LookOf(Figure.Block.FrameStyle) != FrameStyle.None;

    private string? Style
    {
        get
        {
            var parts = new[]
            {
                PxStyleOf(Figure.Block),
                IsFramed && Figure.Block.Size is FigureSize.InSet
                    ? $"--mat-most:{SiteCss.Number(100 * FrameStyle.MostPaddingOf(Figure.Main.Cut.Shape.Value))}%"
                    : null,
                Figure.Block.FrameStyle.Own is { } own && IsFramed ? SiteCss.Variables(own) : null,
            }.OfType<string>();
            return string.Join(';', parts) is { Length: > 0 } style ? style : null;
        }
    }

    /// <summary>Where a figure stands: said once, or for each class of screen where one differs.</summary>
    internal static string ClassesOf(FigureBlock figure, PerClass<bool> beside, PageLayout layout)
    {
        var classes = new List<string> { "fig" };
        if (IsSameEverywhere(figure))
            classes.AddRange(PlacedAs(figure, layout).Select(place => "fig-" + place));
        else
            classes.AddRange(
                WidthClasses.All.SelectMany(c =>
                    PlacedAs(figure.On(c), layout).Select(place => $"{SiteCss.Name(c)}-{place}")
                )
            );
        classes.AddRange(WidthClasses.All.Where(c => beside[c]).Select(c => "beside-" + SiteCss.Name(c)));
        classes.AddRange(WidthClasses.All.Where(figure.IsHiddenOn).Select(c => "hidden-" + SiteCss.Name(c)));
        return string.Join(' ', classes);
    }

    /// <returns>Null where its size is not in px.</returns>
    internal static string? PxStyleOf(FigureBlock figure)
    {
        var parts = IsSameEverywhere(figure)
            ? [PxOf("--px", figure)]
            : WidthClasses.All.Select(c => PxOf("--px-" + SiteCss.Name(c), figure.On(c)));
        return string.Join(';', parts.OfType<string>()) is { Length: > 0 } style ? style : null;

        static string? PxOf(string name, FigureBlock figure) =>
            figure.Size is FigureSize.ByPx px
                ? string.Create(CultureInfo.InvariantCulture, $"{name}:{px.CssPx}px")
                : null;
    }

    private static bool IsSameEverywhere(FigureBlock figure) =>
        WidthClasses.All.All(c => figure.On(c) is var on && on.Size == figure.Size && on.Side == figure.Side);

    private static IEnumerable<string> PlacedAs(FigureBlock figure, PageLayout layout)
    {
        var breaksOut = layout.BreaksOut(figure.Size);
        if (figure.Size is FigureSize.ByPx)
            yield return breaksOut ? "pxout" : "px";
        if (figure.Size is FigureSize.ByRole role)
            yield return role.Role.ToString().ToLowerInvariant();
        if (!breaksOut && figure.Size is not (FigureSize.OfCell or FigureSize.InSet))
            yield return figure.Side.ToString().ToLowerInvariant();
    }

    /// <summary>In what the larger view shows what it shows; null for the picture.</summary>
    private string? Shows =>
        Figure.Instead switch
        {
            null => null,
            LightboxContent.Film => "film",
            LightboxContent.Words => "words",
            _ => "frame",
        };

    /// <summary>
    /// Where the words stand that the larger view shows; without script they are shown once this is what an address
    /// names.
    /// </summary>
    private string? Credit =>
        Figure.OpensLarger && Figure.Main.Picture.Metadata.Credit is { Length: > 0 } credit ? credit : null;

    private string SaidId => "said-" + Figure.Block.Id;

    private string? Href =>
        Figure.Instead switch
        {
            LightboxContent.Film film => Model.HrefOf(new Link.File(film.Video.FileId)),
            LightboxContent.Hosted hosted => hosted.Video.Address,
            LightboxContent.Words => "#" + SaidId,
            _ when Figure.LargeFile is not null => Model.Files.AddressOf(Figure.LargeFile, Model.Root),
            _ => Figure.Link is not null ? Model.HrefOf(Figure.Link) : null,
        };

    /// <summary>A link needs a name where its picture has no words of its own.</summary>
    private string? LinkName =>
        Figure.Alt.Length > 0 ? null
        : Figure.Caption.Length > 0 ? Figure.Caption
        : Figure.Main.Picture.Metadata.Title is { Length: > 0 } title ? title
        : Figure.LargeFile is not null ? "The large picture"
        : null;
}
