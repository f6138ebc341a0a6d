using Dekoro.Core.Choices;
using Dekoro.Core.Links;

namespace Dekoro.Core.Content;

/// <summary>The runs of text of a page, wherever they stand, and the links written in it.</summary>
public static class TextRuns
{
    /// <returns>Each run with the innermost piece that holds it.</returns>
    public static IEnumerable<(Block Block, TextRun Run)> In(Block block) =>
        Walk.Over([block]).SelectMany(b => b.Runs().Select(run => (b, run)));

    /// <summary>A figure's link as it would be written in text; null for none, and for its own large file.</summary>
    public static string? LinkOf(FigureBlock figure) =>
        figure.Link.Kind switch
        {
            // A press on it plays.
            _ when figure.Video is not null => null,
            _ when figure.Instead is LightboxContent.Page page => page.Link,
            FigureLinkKind.Page => Link.Page.Scheme + figure.Link.Target,
            FigureLinkKind.Address => figure.Link.Target,
            _ => null,
        };

    /// <summary>Files of the library that play on a page, or are shown while one plays.</summary>
    /// <returns>Each with the piece in which it plays.</returns>
    public static IEnumerable<(string BlockId, string FileId)> FilesPlayedIn(Document page) =>
        page
            .Figures.Where(f => f.OwnVideo is not null)
            .SelectMany(f => new[] { (f.Id, f.OwnVideo!.FileId), (f.Id, f.OwnVideo.CaptionsId) })
            .Concat(page.Backdrops.Select(b => (b.Id, b.Backdrop.VideoId)))
            .Where(played => played.Item2 is not null)
            .Select(played => (played.Id, played.Item2!));

    /// <summary>Every link of a page as it is written, whether or not it leads anywhere.</summary>
    public static IEnumerable<string> LinksIn(Document page) =>
        page
            .Blocks.SelectMany(In)
            .Select(r => r.Run.Link)
            .Concat(page.Figures.Select(LinkOf))
            .OfType<string>()
            .Concat(FilesPlayedIn(page).Select(played => Link.File.Scheme + played.FileId));
}
