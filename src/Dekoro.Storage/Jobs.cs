using System.Globalization;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>Long work and what came of it.</summary>
public sealed class Jobs(Database database)
{
    /// <summary>Older ones go.</summary>
    private const int Max = 200;

    private const string Columns = "SELECT id, state, progress, result, began_at FROM job";

    /// <summary>A new one.</summary>
    public void Begin(StoredJob job) =>
        database.Write(c =>
        {
            c.Run(
                "DELETE FROM job WHERE state <> 'running' AND id NOT IN (SELECT id FROM job ORDER BY began_at "
                    + "DESC LIMIT $most)",
                ("$most", Max)
            );
            return c.Run(
                "INSERT INTO job (id, state, progress, began_at, changed_at) VALUES ($id, $state, $progress, "
                    + "$now, $now)",
                ("$id", job.Id),
                ("$state", job.State),
                ("$progress", job.Progress),
                ("$now", Written(job.BeganAt))
            );
        });

    /// <summary>How far it has come.</summary>
    public void Change(StoredJob job, DateTimeOffset now) => database.Write(c => Change(c, job, now));

    /// <summary>Together with what else is written then.</summary>
    public static int Change(SqliteConnection c, StoredJob job, DateTimeOffset now) =>
        c.Run(
            "UPDATE job SET state = $state, progress = $progress, result = $result, changed_at = $now "
                + "WHERE id = $id",
            ("$id", job.Id),
            ("$state", job.State),
            ("$progress", job.Progress),
            ("$result", job.Result),
            ("$now", Written(now))
        );

    /// <returns>Null for one that there is not.</returns>
    public StoredJob? Find(string id) =>
        database.Read(c => c.All($"{Columns} WHERE id = $id", Map, ("$id", id)).FirstOrDefault());

    /// <summary>Those that nobody has ended.</summary>
    public IReadOnlyList<StoredJob> Running() => database.Read(c => c.All($"{Columns} WHERE state = 'running'", Map));

    private static string Written(DateTimeOffset time) => time.ToString("o", CultureInfo.InvariantCulture);

    private static StoredJob Map(SqliteDataReader row) =>
        new(row.Text("id"), row.Text("state"), row.Text("progress"), row.TextOrNull("result"), row.Time("began_at"));
}
