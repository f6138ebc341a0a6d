using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>The last drafts of each page as they were sent: JSON with title, path, summary and document.</summary>
public sealed class SentDrafts(Database database)
{
    /// <summary>Of one page; older ones go, and who goes on from one is asked for the whole.</summary>
    public const int Max = 30;

    /// <returns>A draft as it was sent; null where it is no longer kept.</returns>
    public string? Find(string pageId, long version) =>
        database.Read(c =>
            c.All(
                    "SELECT body FROM sent_draft WHERE page_id = $id AND version = $version",
                    row => row.Text("body"),
                    ("$id", pageId),
                    ("$version", version)
                )
                .FirstOrDefault()
        );

    /// <summary>
    /// In the transaction of the change, before and after it: what the page holds now, where it was not recorded
    /// otherwise.
    /// </summary>
    internal static void Record(SqliteConnection c, string pageId, string? sent = null)
    {
        c.Run(
            """
            INSERT INTO sent_draft (page_id, version, body)
            SELECT id, version, coalesce($sent, json_object('title', title, 'path', path, 'summary', summary,
            'document', json(draft))) FROM page WHERE id = $id
            ON CONFLICT DO NOTHING
            """,
            ("$id", pageId),
            ("$sent", sent)
        );
        c.Run(
            "DELETE FROM sent_draft WHERE page_id = $id AND version <= (SELECT version FROM page WHERE id = "
                + "$id) - $most",
            ("$id", pageId),
            ("$most", Max)
        );
    }
}
