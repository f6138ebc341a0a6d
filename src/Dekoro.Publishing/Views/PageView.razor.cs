using Dekoro.Core.Choices;
using Dekoro.Core.Planning;

namespace Dekoro.Publishing.Views;

/// <summary>A whole page with the site round it.</summary>
public partial class PageView
{
    /// <summary>Other sites' players, films that start by themselves, and what moves behind words.</summary>
    private bool HasVideoScript =>
        Model.Plan.Page.Document.Figures.Any(f => f.Video is not null)
        || Model.Plan.Grounds.Values.Any(g => g.Block.Backdrop.VideoId is not null || g.Followers.Length > 0);

    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter]
    public string StyleVersion { get; set; } = "";

    /// <summary>Elsewhere a banner holds it, or the page stands in a frame.</summary>
    private bool HasTitle => !Model.Plan.Page.IsBare && Model.Plan.Page.Banner is not { HoldsTitle: true };

    /// <summary>Of a post that has one.</summary>
    private DateOnly? Day =>
        Model.Plan.Page.IsBare
            ? null
            : Model.Frame.Posts.FirstOrDefault(e => e.PageId == Model.Plan.Page.Main.Id)?.Dated;

    /// <summary>In words on an English site, else in the order that is read alike everywhere (ISO 8601).</summary>
    private RenderFragment DateOf(DateOnly day) =>
        builder =>
        {
            var isEnglish = Model.Frame.Language.StartsWith("en", StringComparison.OrdinalIgnoreCase);
            builder.OpenElement(0, "time");
            builder.AddAttribute(1, "datetime", day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture));
            builder.AddContent(2, day.ToString(isEnglish ? "d MMMM yyyy" : "yyyy-MM-dd", CultureInfo.InvariantCulture));
            builder.CloseElement();
        };

    private List<MenuEntry> Menu => [.. Model.Frame.Menu.Where(e => e.Path.Length > 0)];
    private string Title => Model.IsFront ? Model.Frame.Name : $"{Model.Plan.Page.Title}{Part} · {Model.Frame.Name}";
    private string Part =>
        Model.Plan.Page is { Sheet: { } part } page && page.Arrangements.First(a => a.Id == part.SetId) is var set
            ? $", {set.Arrangement.Name} {set.Sheet} / {set.Sheets}"
            : "";
    private ShippedFace Typeface => Faces.Of(Model.Plan.Layout.Style.Typeface);
    private string AssetRoot => Model.IsProof ? "/proof/assets/" : Model.Root + "assets/";
    private string Front =>
        Model.Frame.Menu.FirstOrDefault(e => e.Path.Length == 0) is { } front ? Model.HrefOf(front) : Model.Root;
    private FigurePlan? First =>
        Model.IsProof ? null : Model.Plan.Figures.Values.FirstOrDefault(f => f.Loading == Loading.First);
    private IEnumerable<(WidthStep Step, PlannedCut Cut)> FirstSteps =>
        First is null
            ? []
            : WidthStep
                .Of(First, Model.Plan.Layout.Style.Classes)
                .Where(s => s.Cut is { IsUnchanged: false })
                .Select(s => (s, s.Cut!));
}
