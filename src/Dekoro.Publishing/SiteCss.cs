using System.Text;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;
using Dekoro.Publishing.Views;

namespace Dekoro.Publishing;

/// <summary>
/// The site's style sheet: the fixed part, and every length written from the same <see cref="PageLayout"/> that the
/// slots are computed with.
/// </summary>
public static class SiteCss
{
    /// <param name="isProof">
    /// A visitor keeps the face a page began with, so that nothing moves; on a proof the site's own face is waited for,
    /// so that it shows what most visitors get.
    /// </param>
    public static string Write(PageLayout layout, bool isProof = false)
    {
        var css = new StringBuilder();
        AddGround(css, layout.Style, isProof ? "block" : "optional");
        css.Append(Assets.Text("site.css"));
        AddPieces(css, layout.Style);
        foreach (var look in layout.Style.FrameStyles)
            css.AppendLine($".look-{look.Id} {{ {Variables(look.FrameStyle)} }}");
        foreach (var c in WidthClasses.All)
            AddClass(css, layout, c);
        return css.ToString();
    }

    /// <summary>Faces, colours and the size of text.</summary>
    private static void AddGround(StringBuilder css, SiteStyle style, string display) =>
        css.AppendLine(
            CultureInfo.InvariantCulture,
            $$"""
            {{FaceRule(Faces.Of(style.Typeface), "normal", display)}}
            {{FaceRule(Faces.Of(style.Typeface), "italic", display)}}
            :root { {{ColourVariables(style.Colours)}} --face: {{FacesOf(style)}}; --pad: {{Px(
                style.PaddingPx.Phone
            )}}; }
            body { font-size: {{Number(style.TextPx / 16)}}rem; line-height: {{Number(style.LineHeight)}}; }
            """
        );

    /// <summary>Lengths of pieces that are the same at every width.</summary>
    private static void AddPieces(StringBuilder css, SiteStyle style) =>
        css.AppendLine(
            CultureInfo.InvariantCulture,
            $$"""
            {{Words(style, Setting.Column, ".column")}}
            {{Words(style, Setting.Cell, ".cell-words")}}
            {{Words(style, Setting.Band, ".band-words")}}
            li > p { margin-block: 0 {{Px(TypeScale.ItemAfterPx)}}; }
            blockquote { padding-inline-start: {{Px(TypeScale.QuotePaddingPx)}}; border-inline-start-width: {{Px(
                TypeScale.QuoteBorderPx
            )}}; }
            blockquote > p { margin-block: 0 {{Px(TypeScale.QuoteAfterPx)}}; }
            .in-line-line { width: calc(var(--wide) * {{Number(style.LineHeight)}}em); width: calc(var(--wide) * 1lh); }
            .in-line-letters { width: calc(var(--wide) * 1em); vertical-align: text-bottom; }
            .files table { font-size: {{Number(TypeScale.FilePx / 16)}}rem; line-height: {{Number(
                TypeScale.FileLine
            )}}; }
            .files :is(th, td) { padding: {{Px(TypeScale.FileBlockPx)}} 0; }
            .files th:nth-child(2) { width: {{Px(TypeScale.FileTypePx)}}; }
            .files th:nth-child(3) { width: {{Px(TypeScale.FileSizePx)}}; }
            .fig figcaption { font-size: {{Number(TypeScale.Caption.SizePx / 16)}}rem; line-height: {{Number(
                TypeScale.Caption.LineHeight
            )}}; padding-block-start: {{Px(TypeScale.CaptionSpacePx)}}; }
            .cell.over { padding: {{Px(PageLayout.CellPaddingPx)}}; }
            .button { padding: {{Px(TypeScale.ButtonBlockPx)}} {{Px(TypeScale.ButtonInlinePx)}}; border-width: {{Px(
                TypeScale.ButtonLinePx
            )}}; }
            .band { padding-block: {{Px(
                PageLayout.BandPaddingPx
            )}}; padding-inline: max(var(--pad), calc((100cqi - {{Px(style.ColumnPx)}}) / 2)); }
            .band + .band { margin-block-start: {{Px(-TypeScale.BetweenPx(Setting.Column))}}; }
            .column { padding-inline: max(var(--pad), calc((100% - {{Px(style.ColumnPx)}}) / 2)); }
            .bar, .foot { padding-inline: max(var(--pad), calc((100% - {{Px(style.WidePx)}}) / 2)); }
            .cells-wide { {{Out($"min({Px(style.WidePx)}, calc(100cqi - 2 * var(--pad)))")}} }
            .cells { gap: {{Px(style.GutterPx)}}; }
            .slider { --arrow-inset: {{Px(ArrangementPlan.ArrowInsetPx)}}; --steps-foot: {{Px(
                ArrangementPlan.PlateFootPx
            )}}; --steps-pad: {{Px(ArrangementPlan.PlatePx)}}; }
            .worded > :nth-child(2) { box-sizing: border-box; max-width: calc({{Px(
                ArrangementPlan.WordsMostPx
            )}} + 2 * var(--inset)); padding: {{Px(ArrangementPlan.WordsPaddingPx)}} var(--inset) var(--foot); }
            """
        );

    /// <summary>What a width class has of its own.</summary>
    private static void AddClass(StringBuilder css, PageLayout layout, WidthClass c)
    {
        var style = layout.Style;
        css.AppendLine(
            CultureInfo.InvariantCulture,
            $$"""
                {{Media(c, style.Classes)}} {
                  :root { --pad: {{Px(style.PaddingPx[c])}}; }
                  .fig :is(img, video) { aspect-ratio: var(--shape-{{Name(c)}}, auto); }
                  {{Figures(layout, c)}}
                  {{string.Join(
                    ' ',
                    Enumerable.Range(ColumnsBlock.MinInRow, ColumnsBlock.MaxInRow - 1).Select(n =>
                        $".cells-{n} {{ grid-template-columns: repeat({PageLayout.InRow(n)[c]}, minmax(0, 1fr)); }}"
                    )
                )}}
                  .cells > * { min-height: var(--least-{{Name(c)}}, 0); }
                  .follows { --at: var(--at-{{Name(c)}}, 50% 50%); }
                  .over { --least: var(--least-{{Name(c)}}, 0); --tint-by: var(--tint-{{Name(
                    c
                )}}, 0); --at: var(--at-{{Name(c)}}, 50% 50%); }
                  .slider { --bar: var(--bar-{{Name(
                    c
                )}}, 0px); padding-block-end: var(--bar); --sides: var(--sides-{{Name(c)}}); }
                  .slider-dots, .slider-pictures { flex-basis: var(--dots-{{Name(c)}}, auto); }
                  .worded { --row: var(--row-{{Name(c)}}, 1); --said: var(--said-{{Name(
                    c
                )}}, var(--words)); --on-said: var(--on-said-{{Name(
                    c
                )}}, var(--on-words)); --tint-by: var(--tint-{{Name(c)}}, 0); --inset: var(--inset-{{Name(c)}}, {{Px(
                    ArrangementPlan.WordsPaddingPx
                )}}); --foot: var(--foot-{{Name(c)}}, {{Px(ArrangementPlan.WordsPaddingPx)}}); }
                  .set-items > li, .set-columns > ul, .slides > div { width: var(--wide-{{Name(
                    c
                )}}); margin-inline-start: var(--before-{{Name(c)}}, 0); }
                  .beside-{{Name(c)}} { clear: none; margin-block: 6px 16px; }
                  .beside-{{Name(c)}}:is(.fig-left, .{{Name(c)}}-left) { float: left; margin-inline: 0 {{Px(
                    style.GutterPx
                )}}; }
                  .beside-{{Name(c)}}:is(.fig-right, .{{Name(c)}}-right) { float: right; margin-inline: {{Px(
                    style.GutterPx
                )}} 0; }
                }
                """
        );
    }

    internal static string NameOf<T>(T choice)
        where T : struct, Enum => choice.ToString().ToLowerInvariant();

    /// <summary>What is said once for all pictures of an arrangement.</summary>
    internal static string RoomOf(ArrangementPlan set)
    {
        var parts = new List<string>();
        if (set.BelowPx > 0)
            parts.Add("--room:" + Px(set.BelowPx));
        if (!set.IsGallery || set.Gallery.Kind == GalleryKind.Grid)
            parts.Add(SetView.WidthsOf(c => set.Layouts[c].Boxes[0].Width.ToCss("%")));
        parts.AddRange(
            WidthClasses.All.Where(c => set.BarPx(c) > 0).Select(c => $"--bar-{Name(c)}:{Px(set.BarPx(c))}")
        );
        parts.AddRange(
            WidthClasses.All.Where(c => set.BarPx(c) > 0 && set.DotsStandBelow(c)).Select(c => $"--dots-{Name(c)}:100%")
        );
        if (
            !set.IsGallery
            && (set.Block.Arrangement.Slider.Arrows == ArrowsAt.Inside || WidthClasses.All.Any(set.StepsStandInside))
        )
            parts.AddRange(WidthClasses.All.Select(c => $"--sides-{Name(c)}:{Number(set.PicturesShape(c))}"));
        if (!set.IsGallery)
        {
            var (controls, colours) = (set.Block.Arrangement.Slider.Controls, set.Page.Style.Colours);
            parts.Add(
                $"--plate:{controls.PlateOn(colours)};--mark:{controls.MarkOn(colours)};"
                    + $"--dots:{controls.DotsOn(colours)};--arrow:{controls.ArrowPx}px;--dot:{controls.DotPx}px;"
                    + $"--dot-mark:{controls.MarkPx}px;--step:{controls.PicturePx}px;"
                    + $"--button:{controls.ButtonPx}px"
            );
        }
        if (!set.Block.Slides.IsEmpty)
            parts.AddRange(WordsOf(set));
        if (set.IsGallery && set.Gallery is { Whole: true, ShapeOfCells: { } shape })
            parts.Add($"--cell:{shape.ToString().Replace(':', '/')}");
        return string.Join(';', parts);
    }

    /// <summary>Words over slides, or below them where they find no room.</summary>
    private static IEnumerable<string> WordsOf(ArrangementPlan set)
    {
        var over = set.Block.Arrangement.Slider.Words;
        yield return $"--tint:{over.Tint}";
        foreach (var c in WidthClasses.All)
        {
            if (set.WordsBelow[c])
                yield return $"--row-{Name(c)}:2;--said-{Name(c)}:var(--ink);--on-said-{Name(c)}:var(--paper)";
            else if (over.TintStrength[c] > 0)
                yield return $"--tint-{Name(c)}:{Number((double)over.TintStrength[c] / Readability.Steps)}";
            if (set.WordsFootPx(c) != ArrangementPlan.WordsPaddingPx)
                yield return $"--foot-{Name(c)}:{Px(set.WordsFootPx(c))}";
            if (set.WordsInsetPx(c) != ArrangementPlan.WordsPaddingPx)
                yield return $"--inset-{Name(c)}:{Px(set.WordsInsetPx(c))}";
        }
    }

    private static string FacesOf(SiteStyle style)
    {
        var face = Faces.Of(style.Typeface);
        return $"\"{face.Family}\", {face.Like}";
    }

    private static string FaceRule(ShippedFace face, string slope, string display) =>
        $"@font-face {{ font-family: \"{face.Family}\"; "
        + $"src: url(\"{face.FileOf(slope)}\") format(\"woff2\"); "
        + $"font-weight: {face.Weights}; font-style: {slope}; font-display: {display}; }}";

    private static string ColourVariables(SiteColours colours) =>
        $"--paper: {colours.Paper}; --ink: {colours.Ink}; --quiet: {colours.Quiet}; --bar: {colours.Bar}; "
        + $"--bar-ink: {colours.BarInk}; --link: {colours.Link};";

    /// <summary>A look, as the custom properties that framed pictures are drawn by.</summary>
    internal static string Variables(FrameStyle look) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"--frame:{look.FramePx}px;--line:{look.LinePx}px {look.Line.ToString().ToLowerInvariant()} "
                + $"{look.LineColour};--round:{look.Round.TopLeft}px {look.Round.TopRight}px "
                + $"{look.Round.BottomRight}px "
                + $"{look.Round.BottomLeft}px;--mat:{look.PaddingPx}px;"
                + $"--mat-colour:{look.Background?.ToString() ?? "transparent"};"
                + $"--shade:{ShadeOf(look)}"
        );

    private static string ShadeOf(FrameStyle look) =>
        look.Shadow is { } s
            ? string.Create(CultureInfo.InvariantCulture, $"0 {s.DownPx}px {s.BlurPx}px rgb(0 0 0 / {s.Percent}%)")
            : "none";

    /// <summary>
    /// Where figures stand on a class of screen: those placed alike on all, and those with a place of their own there.
    /// </summary>
    private static string Figures(PageLayout layout, WidthClass c)
    {
        var name = Name(c);
        var px = $"var(--px-{name}, var(--px))";
        var wide = Px(layout.Style.WidePx);
        (string Place, string Rule)[] rules =
        [
            ("px", $"width: min({px}, 100%);"),
            ("third", $"width: {layout.InColumn(SizeRole.Third)[c].ToCss("%")};"),
            ("half", $"width: {layout.InColumn(SizeRole.Half)[c].ToCss("%")};"),
            ("centre", "margin-inline: auto;"),
            ("right", "margin-inline-start: auto;"),
            ("pxout", Out($"min({px}, {wide}, calc(100cqi - 2 * var(--pad)))")),
            ("wide", Out($"min({wide}, calc(100cqi - 2 * var(--pad)))")),
            ("edge", Out("100cqi")),
        ];
        return string.Join(
            ' ',
            rules
                .Select(r => $".fig-{r.Place}, .{name}-{r.Place} {{ {r.Rule} }}")
                .Append(
                    $":is(.fig-edge, .{name}-edge) figcaption {{ padding-inline: var(--pad); }} .hidden-{name} "
                        + $"{{ display: none; }}"
                )
                .Append(OfBands(name))
        );
    }

    /// <summary>What a band has of its own on this class of screen.</summary>
    private static string OfBands(string name) =>
        string.Join(
            ' ',
            Across
                .Select(one => $".{name}-across-{one.Name} > .band-words {{ text-align: {one.Css}; }}")
                .Concat(Down.Select(one => $".{name}-down-{one.Name} {{ align-content: {one.Css}; }}"))
                .Append(
                    $".over .{name}-first {{ margin-block-start: 0; }} .over .{name}-last {{ margin-block-end: 0; }}"
                )
        );

    private static readonly (string Name, string Css)[] Across =
        [("left", "start"), ("centre", "center"), ("right", "end")],
        Down = [("top", "start"), ("middle", "center"), ("bottom", "end")];

    /// <summary>Wider than the column, in its middle.</summary>
    private static string Out(string width) =>
        $"--w: {width}; width: var(--w); margin-inline: calc((100% - var(--w)) / 2);";

    /// <summary>How every kind of text is set that stands directly in a place.</summary>
    private static string Words(SiteStyle style, Setting setting, string place)
    {
        var text = TypeScale.Text(style, setting);
        var list = Px(TypeScale.ListPaddingPx(setting));
        var headings = Enumerable
            .Range(setting == Setting.Band ? 1 : 2, setting == Setting.Band ? 4 : 3)
            .Select(level =>
            {
                var h = TypeScale.Heading(level, setting);
                return $"{place} > h{level} {{ font-size: {Number(h.SizePx / 16)}rem; line-height: "
                    + $"{Number(h.LineHeight)}; font-weight: {h.Weight}; margin-block: {Px(h.BeforePx)} "
                    + $"{Px(h.AfterPx)};{(level == 1 ? " letter-spacing: normal;" : "")} }}";
            });
        var button = TypeScale.Button(setting);
        return string.Join(
            ' ',
            headings
                .Append(
                    $"{place} > .action {{ font-size: {Number(button.SizePx / 16)}rem; line-height: "
                        + $"{Number(button.LineHeight)}; font-weight: {button.Weight}; }}"
                )
                .Append(
                    $"{place} > .small {{ font-size: {Number(TypeScale.Small.SizePx / 16)}rem; line-height: "
                        + $"{Number(TypeScale.Small.LineHeight)}; font-weight: {TypeScale.Small.Weight}; "
                        + $"margin-block-end: {Px(TypeScale.Small.AfterPx)}; }} "
                        + $"{place} > .small + * {{ margin-block-start: 0; }}"
                )
                .Prepend($"{place} > * {{ margin-block: 0 {Px(text.AfterPx)}; }}")
                .Append($"{place} > ul, {place} > ol {{ padding-inline-start: {list}; }}")
        );
    }

    internal static string Name(WidthClass c) => c.ToString().ToLowerInvariant();

    private static string Media(WidthClass c, WidthClasses classes)
    {
        var next = c switch
        {
            WidthClass.Phone => classes.TabletFromPx,
            WidthClass.Tablet => classes.DesktopFromPx,
            _ => 0,
        };
        return (classes.FromPx(c), next) switch
        {
            (0, _) => $"@media (width < {next}px)",
            (var from, 0) => $"@media (min-width: {from}px)",
            (var from, _) => $"@media ({from}px <= width < {next}px)",
        };
    }

    private static string Px(double px) => Number(px) + "px";

    internal static string Number(double value) => value.ToString("0.######", CultureInfo.InvariantCulture);
}
