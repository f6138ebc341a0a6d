using System.Collections.Immutable;
using System.Globalization;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;

namespace Dekoro.Core.Checks;

/// <summary>What a person should know about a page before it is public, read off its finished plan.</summary>
public static class PageChecks
{
    /// <summary>
    /// In the order in which a person would mend them: what is gone, what leads nowhere, what is seen ill.
    /// </summary>
    public static ImmutableArray<Notice> Of(PagePlan plan) =>
        [
            .. Gone(plan),
            .. plan.Sets.Values.SelectMany(ArrangementChecks.Of),
            .. Links(plan),
            .. plan.Page.Document.Buttons.Select(ButtonNotice).OfType<Notice>(),
            .. plan.Figures.Values.SelectMany(FigureNotices),
            .. plan.Sets.Values.SelectMany(s => ArrangementChecks.Controls(s, plan)),
            .. plan.Empty.Values.Select(EmptyNotice),
            .. plan.Grounds.Values.Select(BackdropChecks.Of).OfType<Notice>(),
            .. BannerChecks.Of(plan),
        ];

    /// <summary>What the page names and nobody has any more.</summary>
    private static IEnumerable<Notice> Gone(PagePlan plan)
    {
        var (asked, facts) = (plan.Asked.Document, plan.Facts);
        bool IsGone(string asset) => !facts.Pictures.ContainsKey(asset);
        return
        [
            .. asked
                .Figures.Where(f => f.Assets.Skip(1).Any(IsGone))
                .Select(f => new Notice(
                    f.Id,
                    "The other picture that was chosen for one width is no longer in the library: the usual "
                        + "one stands there until you choose again."
                )),
            .. plan
                .Asked.Arrangements.Where(a => a.Figures().Any(f => !f.IsEmpty && IsGone(f.AssetId)))
                .Select(a => new Notice(
                    a.Id,
                    $"A picture of “{a.Arrangement.Name}” is no longer in the library: the others stand without it."
                )),
            .. plan
                .Page.Document.Arrangements.Where(a => a is not ResolvedArrangement)
                .Select(a => new Notice(
                    a.Id,
                    "The arrangement that stood here is no more: choose another, or take the place out.",
                    true
                )),
            .. TextRuns
                .FilesPlayedIn(plan.Page.Document)
                .Where(played => !plan.Addresses.FileById.ContainsKey(played.FileId))
                .DistinctBy(played => played.BlockId)
                .Select(played => new Notice(
                    played.BlockId,
                    "A file of the video that stood here is no longer in the library: choose another, or take it out.",
                    true
                )),
            .. plan
                .Page.Document.Figures.Where(f => !f.IsEmpty && facts.PictureOf(f) is null)
                .Select(f => new Notice(
                    f.Id,
                    "The picture that stood here is no longer in the library: choose another, or take the "
                        + "place out.",
                    true
                )),
            .. plan
                .Page.Document.Backdrops.Where(b => b.Backdrop.SetId is not null && b is not ResolvedBand)
                .Select(b => new Notice(
                    b.Id,
                    "The arrangement whose pictures followed behind this band is no more: choose another, or none."
                )),
        ];
    }

    /// <summary>Each address that leads nowhere once, where it is met first.</summary>
    private static IEnumerable<Notice> Links(PagePlan plan) =>
        from part in plan.Page.Document.Blocks.SelectMany(TextRuns.In).DistinctBy(part => part.Run.Link)
        let error = part.Run.Link is { } link ? plan.Links[link].Error : null
        where error is not null
        let words = part.Run.Text.Trim()
        select new Notice(part.Block.Id, words.Length == 0 ? error : $"The link on “{words}” leads nowhere. {error}");

    private static Notice? ButtonNotice(ButtonBlock button) =>
        button switch
        {
            { Link: "" } => new(button.Id, $"The button “{button.Text}” leads nowhere: say where it leads.", true),
            { Text: "" } => new(button.Id, "A button has no words: say what it does.", true),
            _ => null,
        };

    private static IEnumerable<Notice> FigureNotices(FigurePlan figure)
    {
        if (!figure.Block.Alt.Decorative && figure.Alt.Length == 0)
            yield return new(
                figure.Block.Id,
                "This picture has no alt text: say in a sentence what it shows, or mark it as decorative."
            );
        if (figure.Press.Reading?.Error is { } error)
            yield return new(figure.Block.Id, error);
        if (figure is { Block.Instead: LightboxContent.Page, Instead: null, Link: not null })
            yield return new(
                figure.Block.Id,
                "Only pages of this site and addresses that begin with https:// are shown in the "
                    + "larger view: this link opens by itself."
            );
    }

    private static Notice EmptyNotice(EmptyPlace place) =>
        new(
            place.Block.Id,
            string.Create(
                CultureInfo.InvariantCulture,
                $"This place waits for a picture of {place.WantsWidthPx} × {place.WantsHeightPx} px or more; "
                    + $"visitors do not see it."
            )
        );
}
