using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Core.Media;
using Dekoro.Storage;

namespace Dekoro.Application.Site;

/// <summary>The site's own columns in the library's table.</summary>
public sealed class ColumnChanges(Workspace workspace, Events events)
{
    /// <summary>What a column held that is taken out is kept, and shown again when it is added anew.</summary>
    /// <param name="version">From which the change started.</param>
    public ChangeResult<(IReadOnlyList<string> Names, long Version)> Set(IEnumerable<string> given, long version)
    {
        var names = given.Select(n => n.Trim()).ToList();
        if (Refusal(names) is { } sentence)
            return new ChangeResult<(IReadOnlyList<string>, long)>.Refused("columns", sentence);
        if (workspace.OwnColumns.Set(names, version) is not { IsSet: true } set)
            return new ChangeResult<(IReadOnlyList<string>, long)>.Stale(
                "The columns were changed in another window meanwhile, so nothing was done: this is how they "
                    + "stand now. Make your change again.",
                workspace.OwnColumns.Find()
            );
        events.Send("library", new { id = "" });
        return new ChangeResult<(IReadOnlyList<string>, long)>.Done((set.Names, set.Version));
    }

    private static string? Refusal(List<string> names)
    {
        if (names.Find(n => !CustomFields.IsName(n)) is { } odd)
            return odd.Length == 0
                ? "A column needs a name."
                : $"“{odd}” cannot head a column: take letters, digits and spaces, at most {CustomFields.MaxName}.";
        if (names.Distinct(StringComparer.OrdinalIgnoreCase).Count() < names.Count)
            return "There is a column of this name already.";
        return names.Count > OwnColumns.Max ? $"There are at most {OwnColumns.Max} columns: take one out first." : null;
    }
}
