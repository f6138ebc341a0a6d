using System.Security.Cryptography;
using Dekoro.Application.Backup;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Publication;
using Dekoro.Core.Media;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace Dekoro.Server.Tests;

public sealed class BackupTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("dekoro-backup").FullName;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_backup_taken_while_everything_is_written_to_stands_again_whole_in_an_empty_folder()
    {
        await using var app = Running("data");
        var (workspace, publisher) = (
            app.Services.GetRequiredService<Workspace>(),
            app.Services.GetRequiredService<Publisher>()
        );
        var id = await TakeAsync(app, "line-reel.jpg");
        workspace.Pages.Add(
            "p",
            "page",
            new(
                "P",
                "",
                "",
                "{\"type\":\"doc\",\"content\":[{\"type\":\"figure\",\"attrs\":{\"id\":\"f\",\"asset\":\""
                    + id
                    + "\"}}]}"
            ),
            DateTimeOffset.UtcNow
        );
        await publisher.PublishAsync(new Progress<PublishProgress>(), Stop);
        using var stop = new CancellationTokenSource();
        var writing = Task.Run(
            async () =>
            {
                foreach (
                    var name in new[]
                    {
                        "two-lanterns.jpg",
                        "box-kite.jpg",
                        "bridle-ring.jpg",
                        "serpent-head.jpg",
                        "diamond-kite.jpg",
                    }
                )
                {
                    if (!stop.IsCancellationRequested)
                        await TakeAsync(app, name);
                    for (var i = 0; i < 40 && !stop.IsCancellationRequested; i++)
                        workspace.Pages.SaveDraft(
                            "p",
                            workspace.Pages.Find("p")!.Version,
                            new($"Title {i}", "", "", workspace.Pages.Find("p")!.Draft),
                            new("Ana", DateTimeOffset.UtcNow)
                        );
                }
            },
            Stop
        );
        Assert.Equal(0, await Commands.RunAsync(["backup", In("backups"), "--data", In("data")]));
        stop.Cancel();
        await writing;
        Assert.Equal(0, await Commands.RunAsync(["restore", In("backups"), "--data", In("restored")]));
        Assert.True(Database.IsWhole(In("restored/dekoro.db")));
        await using var again = Running("restored");
        var restored = again.Services.GetRequiredService<Workspace>();
        Assert.Contains(id, restored.Assets.Search(LibraryQuery.Read("reel"), [], 0, 9).Page.Select(a => a.Id));
        foreach (var hash in restored.Assets.KeptHashes())
            Assert.Equal(hash, HashOf(restored.Files.PathOf(hash)));
        Assert.Empty(restored.Quarantine.All());
        var (before, after) = (
            app.Services.GetRequiredService<LiveSite>(),
            again.Services.GetRequiredService<LiveSite>()
        );
        Assert.Equal(before.Release, after.Release);
        foreach (
            var (address, path) in before
                .MediaNames.Select(n => "media/" + n)
                .Append("index.html")
                .Append("assets/site.css")
                .Select(address => (address, before.PathOf(address)!))
        )
            Assert.Equal(HashOf(path), HashOf(after.PathOf(address)!));
        Assert.NotEmpty(after.MediaNames);
    }

    [Fact]
    public async Task A_backup_with_one_byte_wrong_and_a_folder_that_holds_something_are_refused()
    {
        await using (var app = Running("data"))
            await TakeAsync(app, "line-reel.jpg");
        Assert.Equal(0, await Commands.RunAsync(["backup", In("backups"), "--data", In("data")]));
        Directory.CreateDirectory(In("theirs"));
        File.WriteAllText(In("theirs/letter.txt"), "Dear Ana");
        Assert.Contains(
            "is not empty",
            Assert.Throws<IOException>(() => Backups.Restore(In("backups"), In("theirs"))).Message,
            StringComparison.Ordinal
        );
        Assert.Equal(["letter.txt"], Directory.EnumerateFileSystemEntries(In("theirs")).Select(Path.GetFileName));
        var original = Directory
            .EnumerateFiles(
                Path.Combine(Directory.EnumerateDirectories(In("backups")).Single(), "originals"),
                "*",
                SearchOption.AllDirectories
            )
            .Single();
        var bytes = File.ReadAllBytes(original);
        bytes[^1] ^= 1;
        File.Delete(original);
        File.WriteAllBytes(original, bytes);
        Assert.Contains(
            "missing or damaged",
            Assert.Throws<IOException>(() => Backups.Restore(In("backups"), In("restored"))).Message,
            StringComparison.Ordinal
        );
        Assert.False(Directory.Exists(In("restored")));
        Assert.Contains(
            "no whole backup",
            Assert.Throws<IOException>(() => Backups.Restore(In("data"), In("restored"))).Message,
            StringComparison.Ordinal
        );
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
    }

    private string In(string name) => Path.Combine(_folder, name);

    private WebApplication Running(string name) =>
        Host.Build(new DataOptions(In(name), null, null) { ReserveBytes = 0 }, null, b => b.WebHost.UseTestServer());

    private static string HashOf(string path) => Convert.ToHexStringLower(SHA256.HashData(File.ReadAllBytes(path)));

    private static async Task<string> TakeAsync(WebApplication app, string name)
    {
        await using var file = File.OpenRead(Path.Combine(ServerFixture.Root, "demo", "files", name));
        return (
            await app.Services.GetRequiredService<AssetIngest>().TakeAsync(name, file, new PictureMetadata(), Stop)
        ).Id!;
    }
}
