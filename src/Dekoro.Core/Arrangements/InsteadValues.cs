using Dekoro.Core.Choices;

namespace Dekoro.Core.Arrangements;

/// <param name="Target">The film's id, the address of a video's page, a link as it is written, or the words; nothing is
/// shown while it is empty.</param>
/// <param name="Player">Of a hosted video.</param>
/// <param name="Title">Of a hosted video.</param>
/// <param name="InPlace">A video plays where the picture stands, even where the others of the set open the larger
/// view.</param>
/// <param name="Captions">Of a film: the id of a file of captions.</param>
public sealed record InsteadValues(
    InsteadKind Kind,
    string Target,
    string Player = "",
    string Title = "",
    bool InPlace = false,
    string? Captions = null,
    bool Loops = false,
    bool StartsItself = false
)
{
    /// <summary>The values of what stands in the larger view; null for the picture itself.</summary>
    public static InsteadValues? Of(LightboxContent? content) =>
        content switch
        {
            LightboxContent.Film film => new(
                InsteadKind.Film,
                film.Video.FileId,
                InPlace: film.IsInPlace,
                Captions: film.Video.CaptionsId,
                Loops: film.Video.Loops,
                StartsItself: film.Video.StartsItself
            ),
            LightboxContent.Hosted { Video: var video } hosted => new(
                InsteadKind.Hosted,
                video.Address,
                video.Player,
                video.Title,
                hosted.IsInPlace
            ),
            LightboxContent.Page page => new(InsteadKind.Page, page.Link),
            LightboxContent.Words words => new(InsteadKind.Words, words.Text),
            _ => null,
        };

    /// <summary>All that a person may have typed.</summary>
    internal IEnumerable<string?> Typed => [Target, Player, Title, Captions];

    /// <summary>A video of another site needs an address to lead to and one to put into a frame.</summary>
    internal bool CanBeShown =>
        Enum.IsDefined(Kind)
        && (
            Kind != InsteadKind.Hosted
            || (VideoChoice.Hosted.IsPlayer(Player ?? "") && VideoChoice.Hosted.IsPage(Target ?? ""))
        );

    internal LightboxContent? Read() =>
        Target?.Trim() is not { Length: > 0 } target
            ? null
            : Kind switch
            {
                InsteadKind.Film => new LightboxContent.Film(
                    new(target, Captions is { Length: > 0 } ? Captions : null, Controls: true, Loops, StartsItself),
                    InPlace
                ),
                InsteadKind.Hosted => new LightboxContent.Hosted(new(target, Player, Title?.Trim() ?? ""), InPlace),
                InsteadKind.Page => new LightboxContent.Page(target),
                _ => new LightboxContent.Words(target),
            };
}
