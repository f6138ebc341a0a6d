using System.Collections.Immutable;
using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Core.Choices;
using Dekoro.Core.Site;

namespace Dekoro.Application.Site;

/// <summary>Changes to the site's style and its looks, never over another's.</summary>
public sealed class StyleChanges(Workspace workspace, FrameStyleUse use, Events events)
{
    /// <summary>Names what a person may set of a style; looks have names of their own.</summary>
    public static string MarkOf(SiteStyle style) => StyleShelf.MarkOf(StyleValues.Of(style));

    /// <summary>Names a look as it is.</summary>
    public static string MarkOf(NamedFrameStyle look) => StyleShelf.MarkOf(StoredFrameStyle.Of(look));

    /// <param name="seen">The mark of the style from which the change started.</param>
    public ChangeResult<StyleReading> Change(string seen, StyleValues values)
    {
        var (isStale, reading) = (false, values.Read(workspace.Style.Current));
        workspace.Style.Change(now =>
        {
            isStale = MarkOf(now) != seen;
            reading = values.Read(now);
            return isStale ? null : reading.Style;
        });
        if (isStale)
            return new ChangeResult<StyleReading>.Stale(
                "The site's style was changed in another window in the meantime: look at it as it is now, and "
                    + "change it again.",
                reading
            );
        if (reading.Style is not null)
            Tell();
        return new ChangeResult<StyleReading>.Done(reading);
    }

    /// <param name="seen">The mark of the look as it was seen; null begins a new one.</param>
    public ChangeResult<string> SetLook(string id, string? seen, string name, FrameStyleValues look) =>
        ChangeLooks(id, seen, looks => NamedFrameStyle.Set(looks, id, name, look));

    /// <summary>Takes out a look that no picture has.</summary>
    /// <param name="seen">The mark of the look as it was seen.</param>
    public ChangeResult<string> TakeOutLook(string id, string? seen) =>
        use.PlacesOf(id) is > 0 and var places && workspace.Style.Current.FrameStyles.First(l => l.Id == id) is var look
            ? new ChangeResult<string>.Conflict(
                $"{look.Name} stands on {places} picture(s): give them another look first."
            )
            : ChangeLooks(id, seen, looks => new(looks.RemoveAll(l => l.Id == id), null, null));

    /// <summary>Changes the looks as they are at that moment.</summary>
    private ChangeResult<string> ChangeLooks(
        string id,
        string? seen,
        Func<ImmutableArray<NamedFrameStyle>, NamedFrameStyles> change
    )
    {
        var (isStale, set) = (false, new NamedFrameStyles(null, null, null));
        workspace.Style.Change(style =>
        {
            var there = style.FrameStyles.FirstOrDefault(l => l.Id == id);
            isStale = (there is null ? null : MarkOf(there)) != seen;
            set = isStale ? set : change(style.FrameStyles);
            return set.Looks is { } looks ? style with { FrameStyles = looks } : null;
        });
        if (isStale)
            return new ChangeResult<string>.Stale(
                "This look was changed in another window meanwhile, so nothing was done: look at it as it is "
                    + "now, and change it again.",
                id
            );
        if (set.Looks is null)
            return new ChangeResult<string>.Refused(set.Field, set.Sentence!);
        Tell();
        return new ChangeResult<string>.Done(id);
    }

    private void Tell() => events.Send("site", new { workspace.Style.Mark });
}
