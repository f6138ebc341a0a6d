using System.Globalization;
using Dekoro.Core.Media;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>
/// The one SQLite file: write-ahead logging, foreign keys on, one writer at a time, any number of readers. What is
/// committed is on the disk (synchronous = FULL).
/// </summary>
public sealed class Database : IDisposable
{
    /// <summary>Name in SQL of Core's judgement that a title says nothing to a reader.</summary>
    internal const string SaysNothing = "says_nothing";

    private const long MaxMappedBytes = 64L << 20;
    private const int CopiesKept = 3;
    private static readonly TimeSpan LongestFarewell = TimeSpan.FromSeconds(2);

    /// <summary>
    /// Every connection maps the file for itself: more readers than processors would only take memory.
    /// </summary>
    private static readonly int MaxReaders = Math.Clamp(Environment.ProcessorCount, 2, 4);

    private static readonly IReadOnlyList<(int Number, string Name)> Migrations =
    [
        .. typeof(Database)
            .Assembly.GetManifestResourceNames()
            .Where(n => n.EndsWith(".sql", StringComparison.Ordinal))
            .Select(n => (int.Parse(n.Split('.')[^2].Split('-')[0], CultureInfo.InvariantCulture), n))
            .Order(),
    ];

    private readonly SemaphoreSlim _reading = new(MaxReaders, MaxReaders);
    private readonly SemaphoreSlim _writing = new(1, 1);
    private readonly string _connectionString;
    private readonly string _synchronous;
    private long _writes;
    private bool _isDisposed;

    /// <summary>
    /// Opens or creates the file and brings it up to the newest migration, after a copy of how it was.
    /// </summary>
    /// <param name="beforeStatement">Called before each statement of the migrations; what it throws undoes them
    /// all.</param>
    /// <param name="isDurable">False gives up what a power cut may take, for comparison alone.</param>
    /// <param name="upTo">Number of the last migration that is made: how an earlier version would leave it.</param>
    /// <exception cref="RefusedDataException">Of a newer program, of another program, or not to be read.</exception>
    public Database(string path, Action<string>? beforeStatement = null, bool isDurable = true, int upTo = int.MaxValue)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(path))!);
        IsNew = !File.Exists(path) || new FileInfo(path).Length == 0;
        _synchronous = isDurable ? "FULL" : "NORMAL";
        _connectionString = new SqliteConnectionStringBuilder
        {
            DataSource = path,
            ForeignKeys = true,
            Pooling = true,
            DefaultTimeout = 20,
        }.ToString();
        try
        {
            using var connection = Open();
            RefuseWhatIsUnknown(connection, path);
            connection.Run("PRAGMA journal_mode = WAL");
            Migrate(connection, path, beforeStatement, upTo);
        }
        catch (Exception e)
        {
            Dispose();
            if (e is not SqliteException { SqliteErrorCode: 11 or 26 })
                throw;
            throw new RefusedDataException(
                $"{Path.GetFileName(path)} is damaged and cannot be read; nothing was changed. Restore the "
                    + "last backup with: dekoro restore DIR --data FOLDER.",
                e
            );
        }
        if (IsNew)
            DiskLayer.Instance.FlushFolder(Path.GetDirectoryName(Path.GetFullPath(path))!);
    }

    /// <summary>Number of the newest migration this program knows.</summary>
    public static int NewestSchema => Migrations[^1].Number;

    /// <summary>True where there was no database before.</summary>
    public bool IsNew { get; }

    /// <summary>How often this process has written: what was read is as it was while the count is the same.</summary>
    public long Writes => Interlocked.Read(ref _writes);

    /// <param name="read">Uses the connection it is given: a read that began another could wait for itself.</param>
    public T Read<T>(Func<SqliteConnection, T> read)
    {
        _reading.Wait();
        try
        {
            using var connection = Open();
            return read(connection);
        }
        finally
        {
            _reading.Release();
        }
    }

    /// <summary>Runs in one transaction: all of it is kept, or none.</summary>
    public T Write<T>(Func<SqliteConnection, T> write)
    {
        _writing.Wait();
        try
        {
            using var connection = Open();
            using var transaction = connection.BeginTransaction();
            var result = write(connection);
            transaction.Commit();
            Interlocked.Increment(ref _writes);
            return result;
        }
        finally
        {
            _writing.Release();
        }
    }

    /// <summary>Number of the newest migration; also proves that the file answers.</summary>
    public long SchemaVersion() => Read(c => c.One<long>("PRAGMA user_version"));

    /// <summary>The whole as it is at one moment, into a file of its own, while others read and write.</summary>
    /// <remarks>SQLite Online Backup API.</remarks>
    public static void CopyTo(string path, string copy)
    {
        var from = new SqliteConnectionStringBuilder
        {
            DataSource = path,
            Mode = SqliteOpenMode.ReadOnly,
            Pooling = false,
            DefaultTimeout = 30,
        };
        var to = new SqliteConnectionStringBuilder { DataSource = copy, Pooling = false };
        using (var source = new SqliteConnection(from.ToString()))
        using (var target = new SqliteConnection(to.ToString()))
        {
            source.Open();
            target.Open();
            source.BackupDatabase(target);
            // One file by itself, without a log beside it.
            target.Run("PRAGMA journal_mode = DELETE");
        }
        using var file = new FileStream(copy, FileMode.Open, FileAccess.ReadWrite);
        file.Flush(flushToDisk: true);
    }

    /// <summary>Whether a file is a whole database, by its own count.</summary>
    public static bool IsWhole(string path)
    {
        using var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = path,
                Mode = SqliteOpenMode.ReadOnly,
                Pooling = false,
            }.ToString()
        );
        try
        {
            connection.Open();
            return connection.One<string>("PRAGMA integrity_check") == "ok";
        }
        catch (SqliteException)
        {
            return false;
        }
    }

    /// <summary>
    /// Who reads or writes comes to an end first, for a while: the last connection that closes leaves one file, without
    /// a log beside it.
    /// </summary>
    public void Dispose()
    {
        if (Interlocked.Exchange(ref _isDisposed, true))
            return;
        _writing.Wait(LongestFarewell);
        for (var reader = 0; reader < MaxReaders; reader++)
            _reading.Wait(LongestFarewell);
        using (var connection = new SqliteConnection(_connectionString))
            SqliteConnection.ClearPool(connection);
        _reading.Dispose();
        _writing.Dispose();
    }

    private SqliteConnection Open()
    {
        var connection = new SqliteConnection(_connectionString);
        connection.Open();
        // A large library is searched from memory that the system can take back, not from copies of our own.
        connection.Run($"PRAGMA synchronous = {_synchronous}; PRAGMA mmap_size = {MaxMappedBytes}");
        connection.CreateFunction(SaysNothing, (string title) => FileNames.SaysNothing(title), isDeterministic: true);
        return connection;
    }

    private static void RefuseWhatIsUnknown(SqliteConnection connection, string path)
    {
        var schema = connection.One<long>("PRAGMA user_version");
        if (schema > NewestSchema)
        {
            throw new RefusedDataException(
                $"{Path.GetFileName(path)} was last used by a newer Dekoro (schema {schema}; this one knows up "
                    + $"to {NewestSchema}), so nothing was opened or changed. "
                    + "Start that newer version, or restore a backup of before with: dekoro restore DIR --data FOLDER."
            );
        }
        if (schema < 0 || schema == 0 && connection.One<long>("SELECT count(*) FROM sqlite_master") > 0)
        {
            throw new RefusedDataException(
                $"{Path.GetFileName(path)} is a database, but not one of Dekoro's, so nothing was opened or "
                    + "changed. Give another data folder with --data."
            );
        }
    }

    /// <summary>
    /// All that is missing in one transaction: where anything stops it, the version that it was last used by opens it
    /// as before.
    /// </summary>
    private static void Migrate(SqliteConnection connection, string path, Action<string>? beforeStatement, int upTo)
    {
        var done = connection.One<long>("PRAGMA user_version");
        var missing = Migrations.Where(m => m.Number > done && m.Number <= upTo).ToList();
        if (missing.Count == 0)
            return;
        if (done > 0)
            CopyBefore(path, done);
        // A table that is rebuilt is dropped on the way, which must not take along what refers to it (SQLite, ALTER
        // TABLE, 7).
        connection.Run("PRAGMA foreign_keys = OFF");
        using (var transaction = connection.BeginTransaction())
        {
            foreach (var statement in missing.SelectMany(m => StatementsOf(m.Name)))
            {
                beforeStatement?.Invoke(statement);
                connection.Run(statement);
            }
            if (connection.All("PRAGMA foreign_key_check", row => row.GetString(0)).FirstOrDefault() is { } table)
                throw new RefusedDataException(
                    $"Bringing {Path.GetFileName(path)} up to date would have broken its table {table}; it was "
                        + "left as it is. Restore a backup, or start the version that it was last used by."
                );
            // A PRAGMA takes no parameters; the number comes from our own file names.
            connection.Run($"PRAGMA user_version = {missing[^1].Number}");
            transaction.Commit();
        }
        connection.Run("PRAGMA foreign_keys = ON");
    }

    private static IEnumerable<string> StatementsOf(string migration)
    {
        using var reader = new StreamReader(typeof(Database).Assembly.GetManifestResourceStream(migration)!);
        return SqlScript.StatementsOf(reader.ReadToEnd());
    }

    /// <summary>How it was before it is brought up to date, beside it; the last few are kept.</summary>
    private static void CopyBefore(string path, long schema)
    {
        var copy = string.Create(CultureInfo.InvariantCulture, $"{path}.schema-{schema:000}");
        try
        {
            if (File.Exists(copy))
                File.Delete(copy);
            CopyTo(path, copy);
            DiskLayer.Instance.FlushFolder(Path.GetDirectoryName(Path.GetFullPath(path))!);
        }
        catch (Exception e) when (DurableWrites.IsFull(e))
        {
            File.Delete(copy);
            throw new RefusedDataException(
                $"The disk is full: {Path.GetFileName(path)} is copied before it is brought up to date, and "
                    + "there is no room for the copy. Nothing was changed; free some space and start again.",
                e
            );
        }
        foreach (
            var old in Directory
                .EnumerateFiles(Path.GetDirectoryName(Path.GetFullPath(path))!, Path.GetFileName(path) + ".schema-*")
                .OrderDescending(StringComparer.Ordinal)
                .Skip(CopiesKept)
        )
            File.Delete(old);
    }
}
