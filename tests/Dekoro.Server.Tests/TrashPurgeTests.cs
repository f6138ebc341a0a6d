using System.Net.Http.Json;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Trash;
using Dekoro.Core.Media;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Time.Testing;

namespace Dekoro.Server.Tests;

public sealed class TrashPurgeTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task What_stands_somewhere_stays_and_says_where_and_what_leaves_can_be_put_back()
    {
        var (used, free) = (await server.TakeInAsync("box-kite.jpg"), await server.TakeInAsync("line-reel.jpg"));
        await server.PageAsync("Hall", new { type = "figure", attrs = new { asset = used, size = "column" } });
        var away = await server.PostAsync("/api/files/away", new { ids = new[] { used, free } });
        Assert.Equal([free], away["away"]!.AsArray().Select(i => (string)i!));
        Assert.Equal("Hall", (string)away["standing"]![0]!["pages"]![0]!);
        Assert.DoesNotContain(free, await IdsAsync(""));
        Assert.Contains(free, await IdsAsync("removed"));
        (
            await server.Http.PostAsJsonAsync("/api/files/back", new { ids = new[] { free } }, Stop)
        ).EnsureSuccessStatusCode();
        Assert.Contains(free, await IdsAsync(""));
        // Added again, a picture that was taken away comes back with its words.
        await server.PostAsync("/api/files/away", new { ids = new[] { free } });
        Assert.Equal(free, await server.TakeInAsync("line-reel.jpg"));
        Assert.Contains(free, await IdsAsync(""));
    }

    [Fact]
    public async Task Look_alikes_are_pointed_out_found_and_made_one_with_all_places_and_words()
    {
        var (first, second) = (
            await server.TakeInAsync("IMG_2291.jpg"),
            await server.TakeInAsync("storm-kite-shaken.jpg")
        );
        // The same look in other bytes: its own download.
        var copy = await (
            await server.Http.GetAsync($"/api/files/{first}/download?width=900&format=webp", Stop)
        ).Content.ReadAsByteArrayAsync(Stop);
        var taken = await server.GiveAsync("storm kite by Ana.webp", copy);
        var twin = (string)taken["id"]!;
        Assert.Contains("looks like", (string)taken["note"]!, StringComparison.Ordinal);
        Assert.Equal(
            [first, twin],
            (await IdsAsync("twin"))
                .Order(StringComparer.Ordinal)
                .Intersect([first, twin, second])
                .OrderBy(i => i != first)
        );
        Assert.Equal(first, (string)(await server.GetAsync($"/api/files/{twin}"))["lookAlikes"]![0]!["id"]!);
        var page = await server.PageAsync(
            "Storm",
            new
            {
                type = "figure",
                attrs = new
                {
                    asset = twin,
                    size = "half",
                    alt = "In this place",
                },
            }
        );
        Assert.Equal(1, (int)(await server.PostAsync($"/api/files/{twin}/merge", new { into = first }))["places"]!);
        var figure = (await server.GetAsync($"/api/pages/{page}/draft"))["document"]!["content"]![0]!["attrs"]!;
        Assert.Equal((first, "In this place"), ((string)figure["asset"]!, (string)figure["alt"]!));
        // Its camera's name gave way to the one that says something.
        Assert.Equal(
            "Storm kite by Ana",
            (string)(await server.GetAsync($"/api/files/{first}"))["file"]!["words"]!["title"]!
        );
        Assert.DoesNotContain(twin, await IdsAsync(""));
        Assert.DoesNotContain(first, await IdsAsync("twin"));
    }

    [Fact]
    public async Task Several_pictures_are_changed_in_one_step_and_a_word_too_long_changes_none()
    {
        var ids = new[] { await server.TakeInAsync("bridle-ring.jpg"), await server.TakeInAsync("two-lanterns.jpg") };
        Assert.Equal(
            2,
            (int)
                (
                    await server.PostAsync(
                        "/api/files/change",
                        new { ids, change = new { folder = "Shed", credit = "Hana" } }
                    )
                )["changed"]!
        );
        Assert.Equal(ids.Order(), (await IdsAsync("folder:Shed credit:hana")).Order());
        var refused = await server.Http.PostAsJsonAsync(
            "/api/files/change",
            new { ids, change = new { caption = new string('x', 5001) } },
            Stop
        );
        Assert.Equal(400, (int)refused.StatusCode);
    }

    [Fact]
    public async Task After_thirty_days_it_is_gone_for_good_with_its_file_unless_it_stands_somewhere_again()
    {
        var folder = Directory.CreateTempSubdirectory("dekoro-leaving").FullName;
        var clock = new FakeTimeProvider(DateTimeOffset.UtcNow);
        await using var app = Host.Build(new DataOptions(folder, null, null), null, b =>
        {
            b.WebHost.UseTestServer();
            b.Services.AddSingleton<TimeProvider>(clock);
        });
        var (ingest, workspace, purge) = (
            app.Services.GetRequiredService<AssetIngest>(),
            app.Services.GetRequiredService<Workspace>(),
            app.Services.GetRequiredService<TrashPurge>()
        );
        async Task<string> TakeAsync(string name)
        {
            await using var file = File.OpenRead(Path.Combine(ServerFixture.Root, "demo", "files", name));
            return (await ingest.TakeAsync(name, file, new PictureMetadata(), Stop)).Id!;
        }
        var (gone, back) = (await TakeAsync("line-reel.jpg"), await TakeAsync("two-lanterns.jpg"));
        foreach (var id in new[] { gone, back })
            workspace.Assets.TakeAway(id, clock.GetUtcNow());
        var path = workspace.PathOf(workspace.Assets.Find(gone)!);
        for (var day = 0; day < 29; day++)
        {
            clock.Advance(TimeSpan.FromDays(1));
            Assert.Equal(0, purge.RemoveWhatHasWaited());
        }
        // A clock that leaps a year and back lets nothing go, and neither does the first day after.
        clock.Advance(TimeSpan.FromDays(365));
        Assert.Equal(0, purge.RemoveWhatHasWaited());
        clock.AdjustTime(clock.GetUtcNow().AddDays(-363));
        Assert.Equal(0, purge.RemoveWhatHasWaited());
        clock.Advance(TimeSpan.FromDays(1));
        Assert.Equal(0, purge.RemoveWhatHasWaited());
        clock.Advance(TimeSpan.FromDays(1));
        // Undo on the desk has brought the second back into a page.
        workspace.Pages.Add(
            "p",
            "page",
            new(
                "P",
                "",
                "",
                "{\"type\":\"doc\",\"content\":[{\"type\":\"figure\",\"attrs\":{\"id\":\"f\",\"asset\":\""
                    + back
                    + "\"}}]}"
            ),
            clock.GetUtcNow()
        );
        Assert.Equal(1, purge.RemoveWhatHasWaited());
        Assert.Null(workspace.Assets.Find(gone));
        Assert.NotNull(workspace.Assets.Find(back));
        Assert.False(File.Exists(path));
        await app.DisposeAsync();
        Directory.Delete(folder, recursive: true);
    }

    private async Task<List<string>> IdsAsync(string query) =>
        [
            .. (await server.GetAsync("/api/files?query=" + Uri.EscapeDataString(query)))["items"]!
                .AsArray()
                .Select(i => (string)i!["id"]!),
        ];
}
