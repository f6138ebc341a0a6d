namespace Dekoro.Storage;

/// <summary>
/// What was written since a moment, told by the database itself: whatever writes, nothing has to be remembered to be
/// told.
/// </summary>
public sealed class Touched(Database database)
{
    /// <summary>What is touched where a page or post is.</summary>
    public const string Page = "page",
        Picture = "asset",
        Arrangement = "arrangement",
        Banner = "banner",
        Download = "download";

    /// <param name="number">Of the last change that is known; 0 for none.</param>
    /// <returns>The number of the last change there is, and each thing that was touched since, once.</returns>
    public (long Number, IReadOnlyList<(string Kind, string Id)> Things) Since(long number) =>
        database.Read(c =>
        {
            var rows = c.All(
                "SELECT number, kind, id FROM touched WHERE number > $number ORDER BY number",
                row => (Number: row.GetInt64(0), Thing: (row.GetString(1), row.GetString(2))),
                ("$number", number)
            );
            return (
                rows.Count > 0 ? rows[^1].Number : number,
                (IReadOnlyList<(string, string)>)[.. rows.Select(r => r.Thing)]
            );
        });

    /// <summary>The number of the last change there is; 0 for none.</summary>
    public long Last => database.Read(c => c.One<long>("SELECT coalesce(max(number), 0) FROM touched"));
}
