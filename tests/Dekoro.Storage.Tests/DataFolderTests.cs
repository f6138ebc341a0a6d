using System.Globalization;
using Dekoro.Core.Media;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage.Tests;

/// <summary>What an opening of the database does to what was there: nothing that cannot be undone.</summary>
public sealed class DataFolderTests : IDisposable
{
    private static readonly DateTimeOffset Now = new(2026, 6, 1, 9, 0, 0, TimeSpan.Zero);
    private readonly string _folder = Directory.CreateTempSubdirectory("dekoro-data").FullName;

    private string At => Path.Combine(_folder, "dekoro.db");

    [Fact]
    public void A_database_of_a_newer_program_is_refused_and_stays_as_it_is()
    {
        new Database(At).Dispose();
        Run("PRAGMA user_version = 999");
        var before = File.ReadAllBytes(At);
        var refused = Assert.Throws<RefusedDataException>(() => new Database(At));
        Assert.Contains("newer Dekoro (schema 999", refused.Message, StringComparison.Ordinal);
        Assert.Equal(before, File.ReadAllBytes(At));
    }

    [Fact]
    public void A_database_of_another_program_and_a_file_that_is_none_are_refused()
    {
        Run("CREATE TABLE theirs (x)");
        Assert.Contains(
            "not one of Dekoro's",
            Assert.Throws<RefusedDataException>(() => new Database(At)).Message,
            StringComparison.Ordinal
        );
        SqliteConnection.ClearAllPools();
        File.WriteAllText(At, new string('x', 5000));
        Assert.Contains(
            "damaged",
            Assert.Throws<RefusedDataException>(() => new Database(At)).Message,
            StringComparison.Ordinal
        );
        Assert.Equal(5000, new FileInfo(At).Length);
    }

    [Fact]
    public void A_migration_that_fails_at_any_statement_leaves_all_as_it_was_and_the_next_start_makes_it()
    {
        foreach (var from in (int[])[0, 12])
        {
            var path = Path.Combine(_folder, "failing.db");
            void MakeOld()
            {
                SqliteConnection.ClearAllPools();
                foreach (var file in Directory.GetFiles(_folder, "failing.db*"))
                    File.Delete(file);
                if (from > 0)
                    MakeAsOf(from, path);
            }
            var all = 0;
            MakeOld();
            new Database(path, _ => all++).Dispose();
            Assert.InRange(all, 40, 300);
            for (var fails = 1; fails <= all; fails++)
            {
                MakeOld();
                var (at, count) = (fails, 0);
                Assert.Throws<IOException>(() =>
                    new Database(path, _ => count += count + 1 == at ? throw new IOException("The power went.") : 1)
                );
                SqliteConnection.ClearAllPools();
                Assert.True(IsAt(from, path), $"from {from}, statement {at}");
                if (at % 10 != 1)
                    continue;
                using var again = new Database(path);
                Assert.Equal(Database.NewestSchema, again.SchemaVersion());
                Assert.Equal(0, new Assets(again).Count());
            }
        }
    }

    [Fact]
    public void Bringing_an_older_database_up_to_date_keeps_every_row_finds_every_word_and_leaves_a_copy_of_how_it_was()
    {
        // With numbers of rows that are not one after the other.
        MakeAsOf(12, At);
        Run(
            """
            INSERT INTO asset (rowid, id, sha256, kept_sha256, file_name, format, bytes, width, height, frames,
            has_alpha, colour, bytes_beta, bytes_gamma, sharpness, title, added_at, original_width, original_height)
            VALUES (7, 'a', 'sa', 'ka', 'a.jpg', 'Jpeg', 9, 3, 2, 1, 0, 'RGB', 1, 2, 0.5, 'Lantern night',
            '2026-05-01', 3, 2), (3, 'b', 'sb', 'kb', 'b.jpg', 'Jpeg', 9, 3, 2, 1, 0, 'RGB', 1, 2, 0.5, 'Serpent',
            '2026-05-02', 3, 2);
            INSERT INTO edition VALUES ('a', 0, '', 3, 2, 1, 2, 0.5, NULL, NULL, NULL, NULL, 'guess', '2026-05-01');
            INSERT INTO twin VALUES ('a', 'b'), ('b', 'a');
            INSERT INTO rendition VALUES ('a1.webp', 'a', '{}');
            INSERT INTO setting VALUES ('style', '{}');
            """
        );
        using (var database = new Database(At))
        {
            var assets = new Assets(database);
            Assert.Equal(["b", "a"], assets.All().Select(a => a.Id));
            Assert.Equal("a", Assert.Single(assets.Search(LibraryQuery.Read("lan"), [], 0, 9).Page).Id);
            Assert.Equal(["b"], new Looks(database).TwinsOf(["a"])["a"]);
            Assert.Single(new Editions(database).Of("a"));
            Assert.Equal("{}", new Renditions(database).SpecOf("a1.webp"));
            Assert.Equal(
                ("{}", 1L),
                (new Settings(database).Find("style").Json, new Settings(database).Find("style").Version)
            );
            // What refers to a picture still goes with it.
            assets.TakeAway("a", Now);
            Assert.Equal(["ka"], assets.RemoveAwaySince(Now.AddDays(1), []));
            Assert.Empty(new Editions(database).Of("a"));
            Assert.Null(new Renditions(database).SpecOf("a1.webp"));
        }
        // Its own number stays with each row when the file is tidied up, and words are found by it.
        Run("VACUUM");
        using (var database = new Database(At))
            Assert.Equal("b", Assert.Single(new Assets(database).Search(LibraryQuery.Read("serp"), [], 0, 9).Page).Id);
        var copy = At + ".schema-012";
        Assert.True(Database.IsWhole(copy));
        using var before = new SqliteConnection($"Data Source={copy};Mode=ReadOnly;Pooling=False");
        before.Open();
        using var command = before.CreateCommand();
        command.CommandText = "SELECT count(*) FROM asset";
        Assert.Equal(2L, command.ExecuteScalar());
    }

    [Fact]
    public void On_a_full_disk_an_older_database_stays_as_it_is_and_with_room_again_it_is_brought_up_to_date()
    {
        using var disk = SmallDisk.OfMegabytes(4);
        var at = Path.Combine(disk.Folder, "dekoro.db");
        MakeAsOf(12, at);
        Run("INSERT INTO setting VALUES ('style', '{}')", at);
        var (copyRefused, later) = (0, 0);
        for (var blocks = 0; ; blocks += 8)
        {
            disk.Fill(blocks);
            try
            {
                using var upToDate = new Database(at);
                break;
            }
            catch (RefusedDataException e)
            {
                Assert.StartsWith(
                    "The disk is full: dekoro.db is copied before it is brought up to date",
                    e.Message,
                    StringComparison.Ordinal
                );
                copyRefused++;
            }
            catch (SqliteException e)
            {
                // Said by the program's start in words.
                Assert.True(DurableWrites.IsFull(e), e.Message);
                later++;
            }
            SqliteConnection.ClearAllPools();
            disk.MakeRoom();
            Assert.True(IsAt(12, at));
            Assert.Equal(["style"], Ask("SELECT * FROM setting", at));
            Assert.True(Database.IsWhole(at));
        }
        // It filled while the copy was taken, and while the copy was there already.
        Assert.True(copyRefused > 0 && later > 0, $"{copyRefused} and {later}");
        SqliteConnection.ClearAllPools();
        Assert.True(IsAt(Database.NewestSchema, at));
        Assert.Equal(["style"], Ask("SELECT * FROM setting", at));
    }

    [Fact]
    public async Task An_end_waits_for_who_still_reads_and_leaves_one_file()
    {
        var database = new Database(At);
        new Pages(database).Add("a", "page", new("A", "a", "", "{}"), Now);
        using var isReading = new ManualResetEventSlim();
        var reading = Task.Run(
            () =>
                database.Read(_ =>
                {
                    isReading.Set();
                    Thread.Sleep(300);
                    return true;
                }),
            TestContext.Current.CancellationToken
        );
        isReading.Wait(TestContext.Current.CancellationToken);
        database.Dispose();
        Assert.Equal(["dekoro.db"], Directory.GetFiles(_folder).Select(Path.GetFileName));
        Assert.True(await reading);
    }

    [Fact]
    public void A_copy_taken_while_others_write_is_one_moment_of_it()
    {
        using var database = new Database(At);
        var pages = new Pages(database);
        pages.Add("a", "page", new("A", "a", "", "{}"), Now);
        using var stop = new CancellationTokenSource();
        var writing = Task.Run(
            () =>
            {
                for (var i = 1; !stop.IsCancellationRequested; i++)
                    pages.SaveDraft("a", i, new($"T{i}", "a", "", "{}"), new("Ana", Now));
            },
            TestContext.Current.CancellationToken
        );
        for (var i = 0; i < 5; i++)
        {
            var copy = Path.Combine(_folder, $"copy-{i}.db");
            Database.CopyTo(At, copy);
            Assert.True(Database.IsWhole(copy));
            using var read = new Database(copy);
            Assert.Equal(
                new Pages(read).Find("a")!.Version,
                new PageStates(read).Of("a") is [var last, ..] ? last.Version : 1
            );
        }
        stop.Cancel();
#pragma warning disable xUnit1031
        writing.Wait(TestContext.Current.CancellationToken);
#pragma warning restore xUnit1031
    }

    [Fact]
    public async Task A_file_that_two_need_stays_until_both_have_let_it_go_and_one_that_is_recorded_stays_for_good()
    {
        var files = new FileStore(Path.Combine(_folder, "originals"));
        async Task<(IDisposable Claim, string Path)> TakeAsync(bool isRecorded)
        {
            var received = await files.ReceiveAsync(
                new MemoryStream([5, 6, 7]),
                100,
                TestContext.Current.CancellationToken
            );
            var claim = files.Claim(received.Sha256, () => isRecorded);
            return (claim, files.Keep(received));
        }
        var (first, path) = await TakeAsync(false);
        var (second, _) = await TakeAsync(false);
        first.Dispose();
        first.Dispose();
        Assert.True(File.Exists(path));
        second.Dispose();
        Assert.False(File.Exists(path));
        var (third, _) = await TakeAsync(true);
        third.Dispose();
        Assert.True(File.Exists(path));
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
    }

    private static void MakeAsOf(int schema, string at)
    {
        new Database(at, upTo: schema).Dispose();
        Assert.True(IsAt(schema, at));
    }

    private static bool IsAt(long schema, string at) =>
        Ask("PRAGMA user_version", at) is [var found] && found == schema.ToString(CultureInfo.InvariantCulture);

    private static List<string> Ask(string sql, string at)
    {
        using var connection = new SqliteConnection($"Data Source={at};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        using var reader = command.ExecuteReader();
        var found = new List<string>();
        while (reader.Read())
            found.Add(reader.GetString(0));
        return found;
    }

    private void Run(string sql) => Run(sql, At);

    private static void Run(string sql, string at)
    {
        using var connection = new SqliteConnection($"Data Source={at};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }
}
