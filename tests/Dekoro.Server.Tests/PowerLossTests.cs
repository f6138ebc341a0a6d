using System.Security.Cryptography;
using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Application.Publication;
using Dekoro.Storage;
using Microsoft.Extensions.Logging.Abstractions;

namespace Dekoro.Server.Tests;

/// <summary>The power goes after every single step, in both ways in which a disk may then stand.</summary>
public sealed class PowerLossTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("dekoro-power").FullName;

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task An_original_is_on_the_disk_whole_before_anything_says_that_it_is_there(bool keepsUnflushedNames)
    {
        var layer = new PowerLossLayer();
        var files = new FileStore(In("originals"), layer);
        var acknowledged = new List<(int Step, string Sha256)>();
        for (byte i = 1; i <= 3; i++)
        {
            var received = await files.ReceiveAsync(
                new MemoryStream([i, i, i]),
                100,
                TestContext.Current.CancellationToken
            );
            files.Keep(received);
            acknowledged.Add((layer.Steps, received.Sha256));
        }
        for (var steps = 0; steps <= layer.Steps; steps++)
        {
            var disk = In($"disk-{steps}");
            layer.LayAfter(steps, _folder, disk, keepsUnflushedNames);
            var after = new FileStore(Path.Combine(disk, "originals"));
            foreach (var (_, sha) in acknowledged.Where(a => a.Step <= steps))
                Assert.Equal(sha, HashOf(after.PathOf(sha)));
        }
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void Visitors_meet_the_old_site_or_the_new_one_whole_whenever_the_power_goes(bool keepsUnflushedNames)
    {
        var layer = new PowerLossLayer();
        using var workspace = new Workspace(new DataOptions(In("data"), null, null), TimeProvider.System, layer);
        var live = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        var sites = new[] { Site("one", "a"), Site("two", "a"), Site("three", "b") };
        var acknowledged = new List<int>();
        foreach (var site in sites)
        {
            live.GoLive(site);
            acknowledged.Add(layer.Steps);
        }
        for (var steps = acknowledged[0]; steps <= layer.Steps; steps++)
        {
            var disk = In($"disk-{steps}");
            layer.LayAfter(steps, In("data"), disk, keepsUnflushedNames);
            using var again = new Workspace(
                new DataOptions(disk, null, null) { BeginsAnew = true },
                TimeProvider.System,
                DiskLayer.Instance
            );
            var after = new LiveSite(again, TimeProvider.System, NullLogger<LiveSite>.Instance);
            var shown = sites
                .ToList()
                .FindIndex(site => site.All(f => after.PathOf(f.Key) is { } path && HashOf(path) == f.Value.Sha256));
            var mustBe = acknowledged.FindLastIndex(a => a <= steps);
            Assert.True(
                shown >= mustBe,
                $"After {steps} of {layer.Steps} steps site {shown} stands, and {mustBe} had been acknowledged."
            );
        }
    }

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private string In(string name) => Path.Combine(_folder, name);

    private Dictionary<string, SiteFile> Site(string words, string picture)
    {
        var path = In($"made-{picture}.webp");
        File.WriteAllText(path, picture);
        return new()
        {
            ["index.html"] = SiteFile.Of(Encoding.UTF8.GetBytes(words)),
            ["visit/index.html"] = SiteFile.Of(Encoding.UTF8.GetBytes(words + " visit")),
            [$"media/{picture}{picture}.webp"] = SiteFile.At(path),
        };
    }

    private static string HashOf(string path) =>
        File.Exists(path) ? Convert.ToHexStringLower(SHA256.HashData(File.ReadAllBytes(path))) : "";
}
