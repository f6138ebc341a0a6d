using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Arrangements;

namespace Dekoro.Application.Site;

/// <summary>How many pictures have each of the site's looks.</summary>
public sealed class FrameStyleUse(Workspace workspace, PlanningContext planning)
{
    /// <summary>How many have one.</summary>
    public int PlacesOf(string lookId) => ByLook().GetValueOrDefault(lookId);

    /// <summary>By the look's id: pictures of all pages, and of arrangements that stand on none.</summary>
    public IReadOnlyDictionary<string, int> ByLook()
    {
        var placed = planning.Used.Sets;
        var sets = workspace
            .Arrangements.All()
            .Where(row => !placed.Contains(row.Id))
            .Select(row => planning.ArrangementOf(row.Id))
            .OfType<Arrangement>();
        return planning
            .AllPages.SelectMany(p => planning.DocumentOf(p).Figures)
            .Select(f => f.FrameStyle)
            .Concat(sets.SelectMany(set => set.Shown.Select(_ => set.FrameStyle)))
            .CountBy(look => look.NamedId ?? "")
            .ToDictionary();
    }
}
