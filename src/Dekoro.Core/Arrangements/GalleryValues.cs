using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Arrangements;

/// <param name="Columns">For phone, tablet and desktop.</param>
/// <param name="Shape">As 3:2; empty is as is.</param>
/// <param name="MostWidePx">Of pictures that are evenly spaced, CSS px; 0 is as wide as each file.</param>
/// <param name="PerSheet">So many pictures at a time; 0 shows all at once.</param>
public sealed record GalleryValues(
    GalleryKind Kind,
    IReadOnlyList<int> Columns,
    IReadOnlyList<int> TargetHeightPx,
    int GutterPx,
    string Shape,
    bool Whole,
    VerticalAlign Align,
    CaptionPlace Captions,
    CaptionSource CaptionsFrom,
    int CaptionLines,
    bool OpensLarger,
    int PerSheet = 0,
    PageLinksAt PageLinks = PageLinksAt.Below,
    PageLinksLook PageLinksLook = PageLinksLook.Words,
    int MostWidePx = 0
)
{
    /// <summary>The values of a gallery, as a form shows them.</summary>
    public static GalleryValues Of(Gallery g) =>
        new(
            g.Kind,
            EachClass.Of(g.Columns),
            EachClass.Of(g.TargetHeightPx),
            g.GutterPx,
            g.Shape?.ToString() ?? "",
            g.Whole,
            g.Align,
            g.Captions,
            g.CaptionsFrom,
            g.CaptionLines,
            g.OpensLarger,
            g.Paging?.PerSheet ?? 0,
            g.Paging?.Links ?? PageLinksAt.Below,
            g.Paging?.Look ?? PageLinksLook.Words,
            g.MostWidePx ?? 0
        );

    /// <returns>The gallery; null where a rule does not hold.</returns>
    internal Gallery? Read(FieldRules rules)
    {
        rules.Holds(
            Enum.IsDefined(Kind)
                && Enum.IsDefined(Align)
                && Enum.IsDefined(Captions)
                && Enum.IsDefined(CaptionsFrom)
                && Enum.IsDefined(PageLinks)
                && Enum.IsDefined(PageLinksLook),
            "kind",
            "This layout is not known here."
        );
        var hasShape = AspectRatio.TryParse(Shape, out var shape) && shape.MayBeChosen();
        rules.Holds(
            hasShape || Shape is not { Length: > 0 },
            "shape",
            "A shape is written 3:2, between 1:20 and 20:1; empty is as is."
        );
        CheckNumbers(rules);
        return rules.AllHold
            ? new(
                Kind,
                EachClass.Read(Columns),
                EachClass.Read(TargetHeightPx),
                GutterPx,
                hasShape ? shape : null,
                Whole,
                Align,
                Captions,
                CaptionsFrom,
                CaptionLines,
                OpensLarger
            )
            {
                MostWidePx = MostWidePx > 0 ? MostWidePx : null,
                Paging = PerSheet > 0 ? new(PerSheet, PageLinks, PageLinksLook) : null,
            }
            : null;
    }

    private void CheckNumbers(FieldRules rules)
    {
        rules.Holds(
            EachClass.AreWithin(Columns, 1, Gallery.MaxColumns),
            "columns",
            $"From 1 to {Gallery.MaxColumns} pictures stand side by side, a number for each of phone, "
                + "tablet and desktop."
        );
        rules.Holds(
            EachClass.AreWithin(TargetHeightPx, Gallery.MinHeightPx, Gallery.MaxHeightPx),
            "targetHeightPx",
            $"Rows are {Gallery.MinHeightPx} to {Gallery.MaxHeightPx} px high, a number for each of "
                + "phone, tablet and desktop."
        );
        rules.Within("gutterPx", GutterPx, 0, Gallery.MaxGutterPx, $"The gutter is 0 to {Gallery.MaxGutterPx} px.");
        rules.Within(
            "captionLines",
            CaptionLines,
            0,
            Gallery.MaxCaptionLines,
            $"Room is kept for 0 to {Gallery.MaxCaptionLines} lines."
        );
        rules.Holds(
            MostWidePx is 0 or (>= Gallery.MinWidePx and <= Gallery.MaxWidePx),
            "mostWidePx",
            $"A picture is at most {Gallery.MinWidePx} to {Gallery.MaxWidePx} px wide; 0 is as wide as its file."
        );
        rules.Within(
            "perSheet",
            PerSheet,
            0,
            Paging.Max,
            $"A gallery is shown 1 to {Paging.Max} pictures at a time; 0 shows all at once."
        );
    }
}
