using System.Globalization;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>Pages and posts in the order of the menu.</summary>
public sealed class Pages(Database database)
{
    private const string Columns =
        "SELECT id, kind, title, path, summary, position, is_on, draft, version, changed_at, published, "
        + "published_at, dated FROM page";

    /// <summary>Pages, then posts, each in the order of the menu.</summary>
    public IReadOnlyList<PageRow> All() =>
        database.Read(c => c.All($"{Columns} WHERE away_since IS NULL ORDER BY kind, position, id", Map));

    /// <summary>Those that are taken away and wait, the last one first; none of them is on the public site.</summary>
    public IReadOnlyList<PageRow> Away() =>
        database.Read(c =>
            c.All($"{Columns} WHERE away_since IS NOT NULL ORDER BY away_since DESC, id", row =>
                Map(row) with
                {
                    IsOn = false,
                }
            )
        );

    /// <summary>Of those that are taken away, the ones that visitors still meet.</summary>
    public IReadOnlyList<PageRow> AwayAndPublic() =>
        database.Read(c =>
            c.All(
                $"{Columns} WHERE away_since IS NOT NULL AND published IS NOT NULL ORDER BY away_since DESC, id",
                row => Map(row) with { IsOn = false }
            )
        );

    /// <returns>Null for a page that is not there, or taken away.</returns>
    public PageRow? Find(string id) =>
        database.Read(c =>
            c.All($"{Columns} WHERE id = $id AND away_since IS NULL", Map, ("$id", id)).FirstOrDefault()
        );

    /// <summary>Those of some that are there and not taken away.</summary>
    public IReadOnlyList<PageRow> FindMany(IReadOnlyCollection<string> ids) =>
        database.Read(c =>
            c.All(
                $"{Columns} WHERE id IN (SELECT value FROM json_each($ids)) AND away_since IS NULL",
                Map,
                ("$ids", System.Text.Json.JsonSerializer.Serialize(ids))
            )
        );

    /// <summary>Takes one away; it waits with all that is on it, and its address with it.</summary>
    public bool TakeAway(string id, DateTimeOffset now) =>
        database.Write(c =>
            c.Run(
                "UPDATE page SET away_since = $now WHERE id = $id AND away_since IS NULL",
                ("$id", id),
                ("$now", Written(now.ToUniversalTime()))
            )
        ) == 1;

    /// <summary>Puts one back that was taken away.</summary>
    public bool PutBack(string id) =>
        database.Write(c =>
            c.Run("UPDATE page SET away_since = NULL WHERE id = $id AND away_since IS NOT NULL", ("$id", id))
        ) == 1;

    /// <summary>Removes for good what was taken away before a moment.</summary>
    public void RemoveAwaySince(DateTimeOffset before) =>
        database.Write(c =>
            c.Run("DELETE FROM page WHERE away_since < $before", ("$before", Written(before.ToUniversalTime())))
        );

    /// <summary>Adds at the end of its kind; a path that is taken gets a number.</summary>
    public void Add(string id, string kind, DraftText draft, DateTimeOffset now, DateOnly? dated = null) =>
        database.Write(c =>
        {
            var (title, path, summary, document) = draft;
            var free = path;
            for (var i = 2; c.One<long>("SELECT count(*) FROM page WHERE path = $path", ("$path", free)) > 0; i++)
                free = string.Create(CultureInfo.InvariantCulture, $"{path}-{i}");
            return c.Run(
                """
                INSERT INTO page (id, kind, title, path, summary, position, draft, changed_at, dated)
                VALUES ($id, $kind, $title, $path, $summary, (SELECT coalesce(max(position), 0) + 1 FROM page
                WHERE kind = $kind), $draft, $now, $dated)
                """,
                ("$id", id),
                ("$kind", kind),
                ("$title", title),
                ("$path", free),
                ("$summary", summary),
                ("$draft", document),
                ("$now", Written(now)),
                ("$dated", dated is { } day ? Written(day) : null)
            );
        });

    /// <summary>An address that the public site had for the page is remembered when another takes its place.</summary>
    /// <param name="sent">The draft as it came, where later ones may be told by what they change.</param>
    /// <returns>The new version; null where the draft is no longer at <paramref name="version"/>, or the page is
    /// gone.</returns>
    public long? SaveDraft(string id, long version, DraftText draft, KeptBy by, string? sent = null) =>
        database.Write(c =>
        {
            var (title, path, summary, document) = draft;
            PageStates.Table.Begin(c, id);
            SentDrafts.Record(c, id);
            c.Run(
                """
                INSERT INTO old_address (path, page_id) SELECT path, id FROM page
                WHERE id = $id AND version = $version AND path <> $path AND path <> '' AND published IS NOT NULL
                ON CONFLICT (path) DO UPDATE SET page_id = excluded.page_id
                """,
                ("$id", id),
                ("$version", version),
                ("$path", path)
            );
            c.Run(
                "DELETE FROM old_address WHERE path = $path AND EXISTS (SELECT 1 FROM page WHERE id = $id AND "
                    + "version = $version)",
                ("$path", path),
                ("$id", id),
                ("$version", version)
            );
            var kept =
                c.Run(
                    """
                    UPDATE page
                    SET title = $title, path = $path, summary = $summary, draft = $draft, version = version + 1,
                    changed_at = $now
                    WHERE id = $id AND version = $version
                    """,
                    ("$id", id),
                    ("$version", version),
                    ("$title", title),
                    ("$path", path),
                    ("$summary", summary),
                    ("$draft", document),
                    ("$now", Written(by.At))
                ) == 1;
            if (kept)
                PageStates.Table.Record(c, id, by.Name, by.At, by.IsNewState);
            if (kept)
                SentDrafts.Record(c, id, sent);
            return kept ? version + 1 : (long?)null;
        });

    /// <summary>Addresses that pages had on the public site before, each with its page.</summary>
    public IReadOnlyList<(string Path, string PageId)> OldAddresses() =>
        database.Read(c =>
            c.All("SELECT path, page_id FROM old_address ORDER BY path", row => (row.GetString(0), row.GetString(1)))
        );

    /// <summary>The address is free again for another page.</summary>
    public bool ForgetAddress(string path, string pageId) =>
        database.Write(c =>
            c.Run("DELETE FROM old_address WHERE path = $path AND page_id = $id", ("$path", path), ("$id", pageId))
        ) == 1;

    /// <summary>Keeps several drafts at once, or none of them.</summary>
    /// <returns>False where one of them is no longer at its version.</returns>
    /// <param name="contents">Kept with them, in the same step.</param>
    public bool SaveDrafts(
        IReadOnlyCollection<(string Id, long Version, string Draft)> drafts,
        string by,
        DateTimeOffset now,
        IReadOnlyCollection<(string Table, string Id, long Version, string Content)>? contents = null
    ) => database.Write(c => SaveDrafts(c, drafts, by, now, contents));

    /// <inheritdoc cref="SaveDrafts(IReadOnlyCollection{ValueTuple{string, long, string}}, string, DateTimeOffset,
    /// IReadOnlyCollection{ValueTuple{string, long, string}}?)"/>
    /// <param name="c">Within a transaction that changes more.</param>
    public static bool SaveDrafts(
        SqliteConnection c,
        IReadOnlyCollection<(string Id, long Version, string Draft)> drafts,
        string by,
        DateTimeOffset now,
        IReadOnlyCollection<(string Table, string Id, long Version, string Content)>? contents = null
    )
    {
        if (
            (contents ?? []).Any(a =>
                c.One<long>(
                    $"SELECT count(*) FROM {a.Table} WHERE id = $id AND version = $version",
                    ("$id", a.Id),
                    ("$version", a.Version)
                ) == 0
            )
        )
            return false;
        if (
            drafts.Any(d =>
                c.One<long>(
                    "SELECT count(*) FROM page WHERE id = $id AND version = $version",
                    ("$id", d.Id),
                    ("$version", d.Version)
                ) == 0
            )
        )
            return false;
        foreach (var (id, _, draft) in drafts)
        {
            PageStates.Table.Begin(c, id);
            SentDrafts.Record(c, id);
            c.Run(
                "UPDATE page SET draft = $draft, version = version + 1, changed_at = $now WHERE id = $id",
                ("$id", id),
                ("$draft", draft),
                ("$now", Written(now))
            );
            PageStates.Table.Record(c, id, by, now, isNewState: false);
            SentDrafts.Record(c, id);
        }
        foreach (var one in contents ?? [])
            ContentTable.Save(c, one.Table, one.Id, one.Version, one.Content, new(by, now));
        return true;
    }

    /// <summary>Whether no other page has an address.</summary>
    public bool PathIsFree(string path, string exceptPage) =>
        database.Read(c =>
            c.One<long>(
                "SELECT count(*) FROM page WHERE path = $path AND id <> $id",
                ("$path", path),
                ("$id", exceptPage)
            )
        ) == 0;

    /// <summary>The day that visitors read beside it, from the next publishing on; null for none.</summary>
    public bool Date(string id, DateOnly? day) =>
        database.Write(c =>
            c.Run(
                "UPDATE page SET dated = $day WHERE id = $id",
                ("$id", id),
                ("$day", day is { } one ? Written(one) : null)
            )
        ) == 1;

    /// <summary>On the public site or not, from the next publishing on.</summary>
    public bool Switch(string id, bool on) =>
        database.Write(c => c.Run("UPDATE page SET is_on = $on WHERE id = $id", ("$id", id), ("$on", on ? 1 : 0))) == 1;

    /// <summary>Pages named come first in this order; what is not named keeps its order after them.</summary>
    public void Reorder(IReadOnlyList<string> ids) =>
        database.Write(c =>
        {
            var rest = c.All("SELECT id FROM page ORDER BY position, id", row => row.GetString(0))
                .Where(id => !ids.Contains(id));
            var position = 0;
            foreach (var id in ids.Concat(rest))
                c.Run(
                    "UPDATE page SET position = $position WHERE id = $id AND position <> $position",
                    ("$id", id),
                    ("$position", ++position)
                );
            return position;
        });

    /// <param name="publishedById">Those that are another than before; null where only their files are.</param>
    /// <param name="also">In the same step.</param>
    public void MarkPublished(
        IReadOnlyDictionary<string, string>? publishedById,
        DateTimeOffset now,
        Action<SqliteConnection>? also = null
    ) =>
        database.Write(c =>
        {
            also?.Invoke(c);
            if (publishedById is null)
                return 0;
            c.Run(
                "UPDATE page SET published = NULL, published_at = NULL WHERE published IS NOT NULL AND (is_on = 0 OR "
                    + "away_since IS NOT NULL)"
            );
            foreach (var (id, published) in publishedById)
                c.Run(
                    "UPDATE page SET published = $published, published_at = $now WHERE id = $id",
                    ("$id", id),
                    ("$published", published),
                    ("$now", Written(now))
                );
            return 0;
        });

    private static string Written(DateTimeOffset time) => time.ToString("o", CultureInfo.InvariantCulture);

    private static string Written(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static PageRow Map(SqliteDataReader row) =>
        new(
            row.Text("id"),
            row.Text("kind"),
            row.Text("title"),
            row.Text("path"),
            row.Text("summary"),
            row.Int("position"),
            row.Int("is_on") == 1,
            row.Text("draft"),
            row.Long("version"),
            Time(row.Text("changed_at")),
            row.TextOrNull("published"),
            row.TextOrNull("published_at") is { } at ? Time(at) : null
        )
        {
            Dated = row.TextOrNull("dated") is { } day
                ? DateOnly.ParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture)
                : null,
        };

    private static DateTimeOffset Time(string text) => DateTimeOffset.Parse(text, CultureInfo.InvariantCulture);
}
