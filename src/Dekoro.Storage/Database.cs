using Dekoro.Core.Library;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>
/// The one SQLite file: write-ahead logging, foreign keys on, one writer at a time, any number of readers.
/// </summary>
public sealed class Database : IDisposable
{
    /// <summary>Name in SQL of Core's judgement that a title says nothing to a reader.</summary>
    internal const string SaysNothing = "says_nothing";

    private const long MostMappedBytes = 64L << 20;

    /// <summary>Every connection maps the file for itself: more readers than processors would only take memory.</summary>
    private static readonly int MostReaders = Math.Clamp(Environment.ProcessorCount, 2, 4);

    private readonly SemaphoreSlim _reading = new(MostReaders, MostReaders);
    private readonly string _connectionString;
    private readonly SemaphoreSlim _writing = new(1, 1);

    /// <summary>Opens or creates the file and brings it up to the newest migration.</summary>
    public Database(string path)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(path))!);
        _connectionString = new SqliteConnectionStringBuilder { DataSource = path, ForeignKeys = true, Pooling = true, DefaultTimeout = 10 }.ToString();
        using var connection = Open();
        connection.Run("PRAGMA journal_mode = WAL");
        Migrate(connection);
    }

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

    private long _writes;

    /// <summary>How often this process has written: what was read is as it was while the count is the same.</summary>
    public long Writes => Interlocked.Read(ref _writes);

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

    public void Dispose()
    {
        using (var connection = new SqliteConnection(_connectionString)) SqliteConnection.ClearPool(connection);
        _reading.Dispose();
        _writing.Dispose();
    }

    private SqliteConnection Open()
    {
        var connection = new SqliteConnection(_connectionString);
        connection.Open();
        // A large library is searched from memory that the system can take back, not from copies of our own.
        connection.Run($"PRAGMA synchronous = NORMAL; PRAGMA mmap_size = {MostMappedBytes}");
        connection.CreateFunction(SaysNothing, (string title) => FileNames.SaysNothing(title), isDeterministic: true);
        return connection;
    }

    private static void Migrate(SqliteConnection connection)
    {
        var done = connection.One<long>("PRAGMA user_version");
        var assembly = typeof(Database).Assembly;
        foreach (var name in assembly.GetManifestResourceNames().Where(n => n.EndsWith(".sql", StringComparison.Ordinal)).Order(StringComparer.Ordinal))
        {
            var number = int.Parse(name.Split('.')[^2].Split('-')[0], System.Globalization.CultureInfo.InvariantCulture);
            if (number <= done) continue;
            using var reader = new StreamReader(assembly.GetManifestResourceStream(name)!);
            using var transaction = connection.BeginTransaction();
            connection.Run(reader.ReadToEnd());
            // A PRAGMA takes no parameters; the number comes from our own file names.
            connection.Run($"PRAGMA user_version = {number}");
            transaction.Commit();
        }
    }
}
