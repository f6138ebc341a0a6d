using System.Collections.Immutable;

namespace Dekoro.Core.Publication;

/// <summary>How what stands round pages changes for visitors.</summary>
public static class MenuChanges
{
    /// <returns>A part of a sentence for each line that comes, goes or changes; none where both are the same.</returns>
    public static ImmutableArray<string> Between(IReadOnlyList<MenuLine> before, IReadOnlyList<MenuLine> now)
    {
        if (before.SequenceEqual(now))
            return [];
        var (old, fresh) = (before.ToDictionary(l => l.PageId), now.ToDictionary(l => l.PageId));
        var stays = now.Where(l => old.ContainsKey(l.PageId)).ToList();
        ImmutableArray<string> changes =
        [
            .. now.Where(l => !old.ContainsKey(l.PageId)).Select(l => $"“{l.Title}” comes"),
            .. before.Where(l => !fresh.ContainsKey(l.PageId)).Select(l => $"“{l.Title}” goes"),
            .. stays
                .Where(l => old[l.PageId].Title != l.Title)
                .Select(l => $"“{old[l.PageId].Title}” becomes “{l.Title}”"),
            .. stays
                .Where(l => old[l.PageId] is var was && was.Title == l.Title && was != l)
                .Select(l => $"“{l.Title}” gets another {WhatOf(old[l.PageId], l)}"),
        ];
        var isMoved = !before
            .Where(l => fresh.ContainsKey(l.PageId))
            .Select(l => l.PageId)
            .SequenceEqual(stays.Select(l => l.PageId));
        return isMoved ? changes.Add("its order changes") : changes;
    }

    private static string WhatOf(MenuLine was, MenuLine now) =>
        was.Path != now.Path ? "address"
        : was.Dated != now.Dated ? "date"
        : "summary";
}
