using System.Globalization;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>How a page stood at a time.</summary>
/// <param name="Version">Of the draft when it was last kept in this state.</param>
/// <param name="KeptBy">The name they gave; may be empty.</param>
public sealed record PageState(string PageId, long Version, string Title, string Summary, string Draft, string KeptBy, DateTimeOffset BeganAt, DateTimeOffset KeptAt);

/// <summary>The history of pages: every state that was kept, the newest first.</summary>
public sealed class PageStates(Database database)
{
    /// <summary>What one person keeps within this time, with no publishing between, is one state.</summary>
    public static readonly TimeSpan OneGo = TimeSpan.FromMinutes(10);

    /// <summary>Of one page; older ones go.</summary>
    public const int Most = 500;

    private const string Columns = "SELECT page_id, version, title, summary, draft, kept_by, began_at, kept_at FROM page_state";

    public IReadOnlyList<PageState> Of(string pageId) => database.Read(c => c.All($"{Columns} WHERE page_id = $id ORDER BY version DESC", Map, ("$id", pageId)));

    public PageState? Find(string pageId, long version) =>
        database.Read(c => c.All($"{Columns} WHERE page_id = $id AND version = $version", Map, ("$id", pageId), ("$version", version)).FirstOrDefault());

    /// <summary>Before a page is changed for the first time: how it stood until then.</summary>
    internal static void Begin(SqliteConnection c, string pageId) => c.Run("""
        INSERT INTO page_state (page_id, version, title, summary, draft, kept_by, began_at, kept_at)
        SELECT id, version, title, summary, draft, '', changed_at, changed_at FROM page
        WHERE id = $id AND NOT EXISTS (SELECT 1 FROM page_state WHERE page_id = $id)
        """, ("$id", pageId));

    /// <summary>After a page was kept, in the same transaction.</summary>
    internal static void Record(SqliteConnection c, string pageId, string by, DateTimeOffset now, bool isNewState = false)
    {
        var goesOn = isNewState ? 0 : c.Run("""
            UPDATE page_state SET (version, title, summary, draft, kept_at) = (SELECT version, title, summary, draft, $now FROM page WHERE id = $id)
            WHERE page_id = $id AND version = (SELECT max(version) FROM page_state WHERE page_id = $id)
                AND kept_by = $by AND began_at > $since AND began_at > coalesce((SELECT published_at FROM page WHERE id = $id), '')
                AND version > (SELECT min(version) FROM page_state WHERE page_id = $id)
            """, ("$id", pageId), ("$by", by), ("$now", Written(now)), ("$since", Written(now - OneGo)));
        if (goesOn > 0) return;
        c.Run("""
            INSERT INTO page_state (page_id, version, title, summary, draft, kept_by, began_at, kept_at)
            SELECT id, version, title, summary, draft, $by, $now, $now FROM page WHERE id = $id
            """, ("$id", pageId), ("$by", by), ("$now", Written(now)));
        c.Run("DELETE FROM page_state WHERE page_id = $id AND version NOT IN (SELECT version FROM page_state WHERE page_id = $id ORDER BY version DESC LIMIT $most)", ("$id", pageId), ("$most", Most));
    }

    private static string Written(DateTimeOffset time) => time.ToString("o", CultureInfo.InvariantCulture);

    private static PageState Map(SqliteDataReader row) => new(
        row.Text("page_id"), row.Long("version"), row.Text("title"), row.Text("summary"), row.Text("draft"), row.Text("kept_by"),
        DateTimeOffset.Parse(row.Text("began_at"), CultureInfo.InvariantCulture), DateTimeOffset.Parse(row.Text("kept_at"), CultureInfo.InvariantCulture));
}
