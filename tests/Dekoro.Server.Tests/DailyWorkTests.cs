using System.Globalization;
using System.IO.Compression;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Trash;
using Dekoro.Core.Media;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using Microsoft.Extensions.Time.Testing;

namespace Dekoro.Server.Tests;

/// <summary>
/// The work of each day, and what is fetched, when the disk or the database does not do as it should.
/// </summary>
public sealed class DailyWorkTests : IDisposable
{
    private static readonly TimeSpan Due = TimeSpan.FromDays(2);
    private readonly FakeTimeProvider _clock = new(DateTimeOffset.UtcNow);

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task The_daily_work_waits_for_a_database_that_is_held_and_is_done_then()
    {
        var folder = Directory.CreateTempSubdirectory("dekoro-daily").FullName;
        var gone = await TakenAwayLongAgoAsync(folder);
        using var other = new SqliteConnection(
            $"Data Source={Path.Combine(folder, Workspace.DatabaseName)};Pooling=False"
        );
        other.Open();
        Run(other, "BEGIN IMMEDIATE");
        await using var app = Build(folder);
        _clock.Advance(Due);
        await app.StartAsync(Stop);
        await Task.Delay(TimeSpan.FromSeconds(Environment.GetEnvironmentVariable("DEKORO_ALL") is null ? 1 : 10), Stop);
        var workspace = app.Services.GetRequiredService<Workspace>();
        Assert.NotNull(workspace.Assets.Find(gone));
        Run(other, "ROLLBACK");
        await UntilAsync(() => workspace.Assets.Find(gone) is null);
        await app.DisposeAsync();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task On_a_full_disk_the_daily_work_is_tried_again_the_host_goes_on_and_all_files_can_be_had_out()
    {
        using var disk = SmallDisk.OfMegabytes(24);
        var folder = Path.Combine(disk.Folder, "data");
        var gone = await TakenAwayLongAgoAsync(folder);
        await using var app = Build(folder);
        await app.StartAsync(Stop);
        await UntilAsync(() =>
            app
                .Services.GetRequiredService<Workspace>()
                .Settings.Find("days-of-leaving")
                .Json!.Contains(Today, StringComparison.Ordinal)
        );
        disk.Fill();
        _clock.Advance(Due);
        var (workspace, http) = (app.Services.GetRequiredService<Workspace>(), app.GetTestClient());
        await UntilAsync(() =>
            Failures.Any(line =>
                line.Contains(
                    "The daily work could not be done; it is tried again in 00:00:10",
                    StringComparison.Ordinal
                )
            )
        );
        Assert.NotNull(workspace.Assets.Find(gone));
        using (var zip = new ZipArchive(await http.GetStreamAsync("/api/library.zip", Stop)))
            Assert.Equal(
                ["library.csv", "two-lanterns.jpg", "two-lanterns.jpg.xmp"],
                zip.Entries.Select(e => e.FullName)
            );
        // Again without room, after a longer wait each time; then with it.
        _clock.Advance(TimeSpan.FromSeconds(10));
        await UntilAsync(() => Failures.Any(line => line.Contains("again in 00:00:20", StringComparison.Ordinal)));
        disk.MakeRoom();
        _clock.Advance(TimeSpan.FromSeconds(20));
        await UntilAsync(() => workspace.Assets.Find(gone) is null);
        Assert.False(app.Lifetime.ApplicationStopping.IsCancellationRequested);
        await app.DisposeAsync();
        SqliteConnection.ClearAllPools();
    }

    public void Dispose() => SqliteConnection.ClearAllPools();

    private System.Collections.Concurrent.ConcurrentQueue<string> Failures { get; } = new();

    private string Today => _clock.GetUtcNow().ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    /// <summary>A library of two pictures, of which one was taken away and is soon due.</summary>
    private async Task<string> TakenAwayLongAgoAsync(string folder)
    {
        await using var app = Build(folder);
        var workspace = app.Services.GetRequiredService<Workspace>();
        await TakeAsync(app, "two-lanterns.jpg");
        var id = await TakeAsync(app, "line-reel.jpg");
        workspace.Assets.TakeAway(id, _clock.GetUtcNow());
        for (var day = 1; day < TrashPurge.WaitDays; day++)
        {
            _clock.Advance(TimeSpan.FromDays(1));
            app.Services.GetRequiredService<TrashPurge>().RemoveWhatHasWaited();
        }
        return id;
    }

    private WebApplication Build(string folder) =>
        Host.Build(new DataOptions(folder, null, null) { ReserveBytes = 0 }, null, b =>
        {
            b.WebHost.UseTestServer();
            b.Services.AddSingleton<TimeProvider>(_clock);
            b.Logging.AddProvider(new Heard(Failures));
        });

    private static async Task<string> TakeAsync(WebApplication app, string name)
    {
        await using var file = File.OpenRead(Path.Combine(ServerFixture.Root, "demo", "files", name));
        return (
            await app.Services.GetRequiredService<AssetIngest>().TakeAsync(name, file, new PictureMetadata(), Stop)
        ).Id!;
    }

    private static void Run(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    private static async Task UntilAsync(Func<bool> holds)
    {
        for (var i = 0; !holds(); i++)
        {
            Assert.InRange(i, 0, 400);
            await Task.Delay(50, Stop);
        }
    }

    private sealed class Heard(System.Collections.Concurrent.ConcurrentQueue<string> lines) : ILoggerProvider, ILogger
    {
        public ILogger CreateLogger(string categoryName) => this;

        public IDisposable? BeginScope<TState>(TState state)
            where TState : notnull => null;

        public bool IsEnabled(LogLevel logLevel) => logLevel >= LogLevel.Warning;

        public void Log<TState>(
            LogLevel logLevel,
            EventId eventId,
            TState state,
            Exception? exception,
            Func<TState, Exception?, string> formatter
        ) => lines.Enqueue(formatter(state, exception));

        public void Dispose() { }
    }
}
