using System.Collections.Immutable;
using System.Globalization;
using System.Text.Json;
using Dekoro.Core.Dates;
using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Core.Widths;
using NodaTime;
using NodaTime.Text;

namespace Dekoro.Core.Arrangements;

/// <summary>An arrangement, or the field that keeps the values from being one and what is allowed there.</summary>
public sealed record ArrangementReading(Arrangement? Arrangement, string? Field, string? Sentence);

/// <summary>An arrangement as it is kept and sent: choices by name, shapes as 3:2.</summary>
/// <param name="Follows">A search line; empty or null where the pictures are chosen.</param>
/// <param name="NamedLook">The id of one of the site's looks; null or empty for none, and where it has one of its own.</param>
public sealed record ArrangementValues(string Name, GalleryValues Gallery, IReadOnlyList<ItemValues> Items, string? Follows = null, ArrangementKind Kind = ArrangementKind.Gallery, SliderValues? Slider = null, LargerView? Larger = null, bool IsShownElsewhere = false, string? NamedLook = null, LookValues? OwnLook = null)
{
    private const int MostName = 100, MostWords = 5000, MostId = 40, MostLine = 500;

    public static ArrangementValues Of(Arrangement a) => new(a.Name, GalleryValues.Of(a.Gallery), [.. a.Items.Select(ItemValues.Of)], a.Follows, a.Kind, SliderValues.Of(a.Slider), a.Larger, a.IsShownElsewhere, a.Look.NamedId, a.Look.Own is { } look ? LookValues.Of(look) : null);

    public static ArrangementValues Read(string json) => JsonSerializer.Deserialize<ArrangementValues>(json, DocumentReader.Values)!;

    public string Write() => JsonSerializer.Serialize(this, DocumentReader.Values);

    /// <summary>Checks every value. What cannot be is refused by name of its field, with what is allowed.</summary>
    public ArrangementReading Check(string id)
    {
        if (Name?.Trim() is not { Length: > 0 and <= MostName } name) return Refused("name", $"Give the arrangement a name of at most {MostName} letters.");
        if (Gallery is null || Items is null || Items.Any(i => i?.Asset is null)) return Refused("items", "An arrangement has a name, a layout and pictures, each by its id.");
        var (gallery, field, sentence) = Gallery.Check();
        if (gallery is null) return Refused(field!, sentence!);
        (var slider, field, sentence) = Slider?.Check() ?? (Arrangements.Slider.Usual, null, null);
        if (slider is null) return Refused(field!, sentence!);
        if (Larger is { } larger && !Enum.IsDefined(larger.Size)) return Refused("larger", "The larger view opens a lean, balanced or full file, or the original.");
        var look = OwnLook?.Read();
        if (look is { Look: null }) return Refused("look", look.Sentence!);
        if (!Enum.IsDefined(Kind)) return Refused("kind", "An arrangement is a gallery, a slider or a carousel.");
        if (Items.Count > Arrangement.MostItems) return Refused("items", string.Create(CultureInfo.InvariantCulture, $"An arrangement holds at most {Arrangement.MostItems} pictures: make two of it."));
        if (Items.Any(i => new[] { i.Alt, i.Caption, i.LinkTarget, i.Title, i.Text, i.Button, i.ButtonLink, i.Instead?.Target, i.Instead?.Player, i.Instead?.Title, i.Instead?.Captions }.Any(words => words?.Length > MostWords))) return Refused("items", $"Words of a picture are at most {MostWords} letters long.");
        if (Items.Any(i => i.StayMs is < Arrangements.Slider.LeastStayMs or > Arrangements.Slider.MostStayMs)) return Refused("stayMs", Arrangements.SliderValues.StaySentence);
        if (Items.Select(i => RunDates.Read(i.From, i.Until, i.Yearly).Sentence).OfType<string>().FirstOrDefault() is { } dated) return Refused("dates", dated);
        if (Items.Any(i => i.Instead is { } instead && (!Enum.IsDefined(instead.Kind) || (instead.Kind == InsteadKind.Hosted && !(VideoChoice.Hosted.IsPlayer(instead.Player ?? "") && VideoChoice.Hosted.IsPage(instead.Target ?? "")))))) return Refused("instead", "The larger view shows a film of the library, a video of another site by the addresses of its page and its player, a page, or words.");
        var follows = LibraryQuery.Read(Follows ?? "").Written;
        if (follows.Length > MostLine) return Refused("follows", $"A search line holds at most {MostLine} characters: shorten it.");
        var ids = new HashSet<string>();
        return new(new(id, name, gallery, [.. Items.Select((item, i) => item.Read(IdOf(item, i)))], follows.Length > 0 ? follows : null) { Kind = Kind, Slider = slider, Larger = Larger ?? LargerView.Usual, IsShownElsewhere = IsShownElsewhere, Look = look?.Look is { } own ? new(null, own) : NamedLook is { Length: > 0 and <= MostId } named ? new(named, null) : LookChoice.None }, null, null);

        // Ids that are missing, strange or taken are made anew.
        string IdOf(ItemValues item, int i)
        {
            if (item.Id is { Length: > 0 and <= MostId } given && given.All(char.IsAsciiLetterOrDigit) && ids.Add(given)) return given;
            var made = string.Create(CultureInfo.InvariantCulture, $"i{i}");
            while (!ids.Add(made)) made += "x";
            return made;
        }

        static ArrangementReading Refused(string field, string sentence) => new(null, field, sentence);
    }
}

/// <param name="Alt">Null takes the library's.</param>
/// <param name="CaptionSource">Null takes that of the whole set.</param>
/// <param name="Step">The picture that stands small as its step; null for the slide's own.</param>
/// <param name="From">The first day on which it is shown, as 2026-12-01; empty for ever before.</param>
/// <param name="Until">The last one; empty for ever after.</param>
public sealed record ItemValues(
    string Id, string Asset, bool IsOn = true, bool Decorative = false, string? Alt = null, CaptionSource? CaptionSource = null, string Caption = "",
    FigureLinkKind LinkKind = FigureLinkKind.None, string LinkTarget = "", int? StayMs = null, string Title = "", string Text = "", string Button = "", string ButtonLink = "", InsteadValues? Instead = null, string From = "", string Until = "", bool Yearly = false, string? Step = null)
{
    public static ItemValues Of(ArrangementItem i) => new(i.Id, i.AssetId, i.IsOn, i.Alt.Decorative, i.Alt.Own, i.Caption?.Source, i.Caption?.Own ?? "", i.Link.Kind, i.Link.Target,
        i.StayMs, i.Words?.Title ?? "", i.Words?.Text ?? "", i.Words?.Button ?? "", i.Words?.Link ?? "", InsteadValues.Of(i.Instead), Iso(i.Dates?.From), Iso(i.Dates?.Until), i.Dates?.Yearly ?? false, i.StepAssetId);

    internal ArrangementItem Read(string id) => new(id, Asset, IsOn, new(Decorative, Alt?.Trim()), CaptionSource is { } source ? new(source, Caption?.Trim() ?? "") : null, new(LinkKind, LinkTarget?.Trim() ?? "")) { StayMs = StayMs, Words = SlideWords.Of(Title, Text, Button, ButtonLink), Instead = Instead?.Read(), Dates = RunDates.Read(From, Until, Yearly).Dates, StepAssetId = Step is { Length: > 0 } ? Step : null };

    private static string Iso(LocalDate? day) => day is { } d ? LocalDatePattern.Iso.Format(d) : "";
}

/// <summary>What is shown in a picture's stead.</summary>
public enum InsteadKind { Film, Hosted, Page, Words }

/// <param name="Target">The film's id, the address of a video's page, a link as it is written, or the words; nothing is shown while it is empty.</param>
/// <param name="Player">Of a hosted video.</param>
/// <param name="Title">Of a hosted video.</param>
/// <param name="InPlace">A video plays where the picture stands, even where the others of the set open the larger view.</param>
/// <param name="Captions">Of a film: the id of a file of captions.</param>
public sealed record InsteadValues(InsteadKind Kind, string Target, string Player = "", string Title = "", bool InPlace = false, string? Captions = null, bool Loops = false, bool StartsItself = false)
{
    public static InsteadValues? Of(LargerContent? content) => content switch
    {
        LargerContent.Film film => new(InsteadKind.Film, film.Video.FileId, InPlace: film.IsInPlace, Captions: film.Video.CaptionsId, Loops: film.Video.Loops, StartsItself: film.Video.StartsItself),
        LargerContent.Hosted { Video: var video } hosted => new(InsteadKind.Hosted, video.Address, video.Player, video.Title, hosted.IsInPlace),
        LargerContent.Page page => new(InsteadKind.Page, page.Link),
        LargerContent.Words words => new(InsteadKind.Words, words.Text),
        _ => null,
    };

    internal LargerContent? Read() => Target?.Trim() is not { Length: > 0 } target ? null : Kind switch
    {
        InsteadKind.Film => new LargerContent.Film(new(target, Captions is { Length: > 0 } ? Captions : null, Controls: true, Loops, StartsItself), InPlace),
        InsteadKind.Hosted => new LargerContent.Hosted(new(target, Player, Title?.Trim() ?? ""), InPlace),
        InsteadKind.Page => new LargerContent.Page(target),
        _ => new LargerContent.Words(target),
    };
}

/// <param name="Columns">For phone, tablet and desktop.</param>
/// <param name="Shape">As 3:2; empty is as is.</param>
/// <param name="PerSheet">So many pictures at a time; 0 shows all at once.</param>
public sealed record GalleryValues(
    GalleryKind Kind, IReadOnlyList<int> Columns, IReadOnlyList<int> TargetHeightPx, int GutterPx, string Shape, bool Whole, Down Align, CaptionPlace Captions, CaptionSource CaptionsFrom, int CaptionLines, bool OpensLarger,
    int PerSheet = 0, PageLinksAt PageLinks = PageLinksAt.Below, PageLinksLook PageLinksLook = PageLinksLook.Words)
{
    public static GalleryValues Of(Gallery g) => new(g.Kind, EachClass.Of(g.Columns), EachClass.Of(g.TargetHeightPx), g.GutterPx, g.Shape?.ToString() ?? "", g.Whole, g.Align, g.Captions, g.CaptionsFrom, g.CaptionLines, g.OpensLarger,
        g.Paging?.PerSheet ?? 0, g.Paging?.Links ?? PageLinksAt.Below, g.Paging?.Look ?? PageLinksLook.Words);

    /// <returns>The gallery, or the field that keeps it from being one.</returns>
    internal (Gallery? Gallery, string? Field, string? Sentence) Check()
    {
        AspectRatio? shape = null;
        if (!Enum.IsDefined(Kind) || !Enum.IsDefined(Align) || !Enum.IsDefined(Captions) || !Enum.IsDefined(CaptionsFrom) || !Enum.IsDefined(PageLinks) || !Enum.IsDefined(PageLinksLook)) return (null, "kind", "This layout is not known here.");
        if (Shape is { Length: > 0 })
        {
            if (!AspectRatio.TryParse(Shape, out var read) || read.Value is < DocumentReader.NarrowestShape or > DocumentReader.WidestShape) return (null, "shape", "A shape is written 3:2, between 1:20 and 20:1; empty is as is.");
            shape = read;
        }
        if (EachClass.IsOutOf(Columns, 1, Gallery.MostColumns)) return (null, "columns", $"From 1 to {Gallery.MostColumns} pictures stand side by side, a number for each of phone, tablet and desktop.");
        if (EachClass.IsOutOf(TargetHeightPx, Gallery.LeastHeightPx, Gallery.MostHeightPx)) return (null, "targetHeightPx", $"Rows are {Gallery.LeastHeightPx} to {Gallery.MostHeightPx} px high, a number for each of phone, tablet and desktop.");
        if (GutterPx is < 0 or > Gallery.MostGutterPx) return (null, "gutterPx", $"The gutter is 0 to {Gallery.MostGutterPx} px.");
        if (CaptionLines is < 0 or > Gallery.MostCaptionLines) return (null, "captionLines", $"Room is kept for 0 to {Gallery.MostCaptionLines} lines.");
        if (PerSheet is < 0 or > Paging.Most) return (null, "perSheet", $"A gallery is shown 1 to {Paging.Most} pictures at a time; 0 shows all at once.");
        return (new(Kind, EachClass.Read(Columns), EachClass.Read(TargetHeightPx), GutterPx, shape, Whole, Align, Captions, CaptionsFrom, CaptionLines, OpensLarger) { Paging = PerSheet > 0 ? new(PerSheet, PageLinks, PageLinksLook) : null }, null, null);
    }
}
