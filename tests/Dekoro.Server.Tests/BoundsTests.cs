using System.IO.Compression;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Pictures;
using Dekoro.Core.Geometry;
using Dekoro.Imaging;
using Dekoro.Intake;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;

namespace Dekoro.Server.Tests;

/// <summary>What is sent, and how much of it is taken; and that work is shared out.</summary>
public sealed class BoundsTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_change_told_by_too_many_operations_or_by_copies_asks_for_the_whole_and_changes_nothing()
    {
        var page = await server.PageAsync("Patched", ServerFixture.Text("Here."));
        var replace = new
        {
            op = "replace",
            path = "/title",
            value = "Other",
        };
        Assert.Equal(
            413,
            (int)(await server.PatchAsync(page, 2, [.. Enumerable.Repeat<object>(replace, 2001)])).StatusCode
        );
        Assert.Equal(
            400,
            (int)
                (
                    await server.PatchAsync(
                        page,
                        2,
                        new
                        {
                            op = "copy",
                            from = "/document",
                            path = "/document/content/0",
                        }
                    )
                ).StatusCode
        );
        Assert.Equal("Patched", (string)(await server.GetAsync($"/api/pages/{page}/draft"))["title"]!);
    }

    [Fact]
    public async Task A_person_listens_in_a_few_windows_at_once_and_a_window_that_closes_makes_room()
    {
        var lines = new List<HttpResponseMessage>();
        for (var i = 0; i < Events.MaxOfAPerson; i++)
            lines.Add(await ListenAsync("Ana"));
        Assert.All(lines, l => Assert.Equal(HttpStatusCode.OK, l.StatusCode));
        Assert.Equal((HttpStatusCode)429, (await ListenAsync("Ana")).StatusCode);
        using var other = await ListenAsync("Ben");
        Assert.Equal(HttpStatusCode.OK, other.StatusCode);
        lines[0].Dispose();
        for (var i = 0; ; i++)
        {
            using var again = await ListenAsync("Ana");
            if (again.StatusCode == HttpStatusCode.OK)
                break;
            Assert.InRange(i, 0, 100);
            await Task.Delay(20, Stop);
        }
        lines.ForEach(l => l.Dispose());
    }

    [Fact]
    public async Task A_bundle_with_an_entry_larger_than_is_taken_leaves_that_one_out_and_takes_the_others()
    {
        using var zip = new MemoryStream();
        using (var archive = new ZipArchive(zip, ZipArchiveMode.Create, leaveOpen: true))
        {
            using (var large = archive.CreateEntry("large.tif", CompressionLevel.NoCompression).Open())
                for (long n = 0, piece = 1 << 20; n <= BundleReader.MaxEntryBytes; n += piece)
                    large.Write(new byte[piece]);
            archive.CreateEntryFromFile(Path.Combine(ServerFixture.Root, "demo/files/line-reel.jpg"), "line-reel.jpg");
        }
        zip.Position = 0;
        var read = BundleReader.Read(zip, "bundle.zip");
        Assert.Equal("line-reel.jpg", Assert.Single(read.Pictures).FileName);
        Assert.Contains("larger than 200 MB", Assert.Single(read.LeftOut).Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_archive_that_never_ends_is_read_up_to_its_budget()
    {
        const long budget = 3_000_000;
        var given = 0L;
        var padding = new string('x', 400_000);
        Task<byte[]> Fetch(Uri address, CancellationToken stop)
        {
            var items = string.Join(
                ',',
                Enumerable
                    .Range(0, 40)
                    .Select(i => $"{{\"id\":\"{address}/{i}\",\"type\":\"Collection\",\"label\":{{\"en\":[\"{i}\"]}}}}")
            );
            var bytes = Encoding.UTF8.GetBytes(
                $"{{\"id\":\"{address}\",\"type\":\"Collection\",\"summary\":{{\"en\":[\"{padding}\"]}},"
                    + $"\"items\":[{items}]}}"
            );
            Interlocked.Add(ref given, bytes.Length);
            return Task.FromResult(bytes);
        }
        var catalogue = await ArchiveReader.ReadAsync(
            new("https://archive.example/c"),
            Archives.Within(new("https://archive.example/c"), Fetch, budget),
            Stop
        );
        Assert.Empty(catalogue.Entries);
        Assert.Contains(catalogue.LeftOut, l =>
            l.Sentence.Contains("of descriptions that are read at once", StringComparison.Ordinal)
        );
        // Those that were on their way when it was used up still come.
        Assert.InRange(given, budget, budget + 10 * 420_000);
    }

    [Fact]
    public async Task Of_two_proposals_of_one_mail_one_may_be_let_go_and_the_other_kept_with_all_its_pictures()
    {
        var (first, second) = (await BringAsync(), await BringAsync());
        var pictures = second["pictures"]!.AsArray().Select(p => (string)p!["file"]!["id"]!).ToList();
        (await server.Http.DeleteAsync($"/api/intake/{first["id"]}", Stop)).EnsureSuccessStatusCode();
        var kept = await server.PostAsync(
            $"/api/intake/{second["id"]}/keep",
            new { pictures = pictures.Select(id => new { id, words = new { } }) }
        );
        Assert.All(kept["files"]!.AsArray(), f => Assert.Null(f!["error"]));
        foreach (var id in pictures)
            Assert.Equal(
                HttpStatusCode.OK,
                (await server.Http.GetAsync($"/media/proof/{id}/whole/160", Stop)).StatusCode
            );
    }

    [Fact]
    public async Task An_upload_of_a_file_that_a_proposal_holds_keeps_it_when_the_proposal_goes()
    {
        var proposal = await BringAsync();
        using var mail = File.OpenRead(Path.Combine(ServerFixture.Root, "demo/mailbox/lantern-evening.eml"));
        var found = MailReader.Read(mail).Pictures[0];
        using var content = new MemoryStream();
        await using (var opened = ((PictureContent.AtHand)found.Content).Open())
            await opened.CopyToAsync(content, Stop);
        var taken = await server.GiveAsync("the same.jpg", content.ToArray());
        (await server.Http.DeleteAsync($"/api/intake/{proposal["id"]}", Stop)).EnsureSuccessStatusCode();
        Assert.Equal(
            HttpStatusCode.OK,
            (await server.Http.GetAsync($"/media/proof/{taken["id"]}/whole/160", Stop)).StatusCode
        );
    }

    [Fact]
    public async Task Work_on_pixels_is_shared_out_between_people_and_a_ladder_waits_for_nobody_for_ever()
    {
        var queue = new PixelQueue(new Person());
        var (order, gate) = (new List<string>(), new TaskCompletionSource());
        Task Ask(string who, PixelWork kind = PixelWork.Asked, TaskCompletionSource? holds = null)
        {
            Person.Lend(who);
            return queue.RunAsync(
                kind,
                _ =>
                {
                    holds?.Task.Wait();
                    lock (order)
                        order.Add(who);
                    return 0;
                },
                Stop
            );
        }
        // All slots are taken, then one person asks for ten things and another for one, and a publishing for a ladder.
        // One slot alone is given back before the end, so that what runs has an order.
        var (others, slots) = (new TaskCompletionSource(), Math.Max(2, Environment.ProcessorCount));
        var held = Enumerable.Range(0, slots).Select(i => Ask("first", holds: i == 0 ? gate : others)).ToList();
        var asked = Enumerable
            .Range(0, 10)
            .Select(_ => Ask("many"))
            .Append(Ask("one"))
            .Append(Ask("ladder", PixelWork.Ladder))
            .ToList();
        gate.SetResult();
        await Task.WhenAll(asked);
        others.SetResult();
        await Task.WhenAll(held);
        var after = order.Where(w => w != "first").ToList();
        Assert.InRange(after.IndexOf("one"), 0, 2);
        Assert.InRange(after.IndexOf("ladder"), 0, 2);
    }

    [Fact]
    public async Task Work_that_nobody_waits_for_any_more_leaves_its_place_and_one_that_fails_gives_it_on()
    {
        var queue = new PixelQueue(new Person());
        for (var i = 0; i < 20; i++)
            await Assert.ThrowsAsync<RefusedFileException>(() =>
                queue.RunAsync<int>(PixelWork.Ladder, _ => throw new RefusedFileException("No."), Stop)
            );
        var gate = new TaskCompletionSource();
        var held = Enumerable
            .Range(0, Math.Max(2, Environment.ProcessorCount))
            .Select(_ =>
                queue.RunAsync(
                    PixelWork.Asked,
                    _ =>
                    {
                        gate.Task.Wait();
                        return 0;
                    },
                    Stop
                )
            )
            .ToList();
        using var gone = new CancellationTokenSource();
        var left = queue.RunAsync(PixelWork.Asked, _ => 1, gone.Token);
        gone.Cancel();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => left);
        var next = queue.RunAsync(PixelWork.Asked, _ => 2, Stop);
        gate.SetResult();
        Assert.Equal(2, await next);
        await Task.WhenAll(held);
    }

    [Fact]
    public async Task A_file_that_nothing_has_asked_for_a_month_goes_and_is_made_again_when_it_is_asked_for()
    {
        var id = await server.TakeInAsync("serpent-small.jpg");
        var (maker, workspace) = (
            server.Services.GetRequiredService<RenditionMaker>(),
            server.Services.GetRequiredService<Workspace>()
        );
        var asset = workspace.Assets.Find(id)!;
        var path = await maker.ProofAsync(asset, Core.Geometry.Cut.Whole(asset.Facts.Size), 160);
        maker.Collect([]);
        Assert.True(File.Exists(path));
        workspace.MadeFiles.Record(
            [workspace.MadeFiles.Find(Path.GetFileName(path))!],
            DateOnly.FromDateTime(DateTime.UtcNow).AddDays(-RenditionMaker.KeptDays - 1)
        );
        var stray = Path.Combine(Path.GetDirectoryName(path)!, "left-by-a-crash.webp");
        File.WriteAllText(stray, "half");
        File.SetLastWriteTimeUtc(stray, DateTime.UtcNow.AddDays(-2));
        maker.Collect([]);
        Assert.False(File.Exists(path) || File.Exists(stray));
        Assert.Equal(HttpStatusCode.OK, (await server.Http.GetAsync($"/media/proof/{id}/whole/160", Stop)).StatusCode);
    }

    [Fact]
    public async Task With_too_little_room_on_the_disk_files_are_refused_before_they_are_sent_and_drafts_are_kept()
    {
        var folder = Directory.CreateTempSubdirectory("dekoro-room").FullName;
        await using var app = Host.Build(
            new DataOptions(folder, null, null) { ReserveBytes = long.MaxValue },
            null,
            b => b.WebHost.UseTestServer()
        );
        await app.StartAsync(Stop);
        var http = app.GetTestClient();
        http.DefaultRequestHeaders.Add("Origin", "http://localhost");
        using var form = new MultipartFormDataContent { { new ByteArrayContent([1, 2, 3]), "file", "a.jpg" } };
        using var refused = await http.PostAsync("/api/files", form, Stop);
        Assert.Equal(HttpStatusCode.InsufficientStorage, refused.StatusCode);
        Assert.Contains("nearly full", await refused.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.Created,
            (await http.PostAsJsonAsync("/api/pages", new { kind = "page", title = "Kept" }, Stop)).StatusCode
        );
        await app.DisposeAsync();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task Import_follows_no_links_skips_pipes_and_goes_on_past_what_cannot_be_read()
    {
        var folder = Directory.CreateTempSubdirectory("dekoro-import").FullName;
        File.Copy(Path.Combine(ServerFixture.Root, "demo/files/serpent-head.jpg"), Path.Combine(folder, "b.jpg"));
        Directory.CreateSymbolicLink(Path.Combine(folder, "round"), folder);
        File.CreateSymbolicLink(
            Path.Combine(folder, "secret.jpg"),
            Path.Combine(ServerFixture.Root, "demo/files/museum-door.jpg")
        );
        System.Diagnostics.Process.Start("mkfifo", [Path.Combine(folder, "a-pipe.jpg")]).WaitForExit();
        var workspace = server.Services.GetRequiredService<Workspace>();
        var before = workspace.Assets.Count();
        Assert.Equal(1, await Importing.FolderAsync(server.Services, new(folder), Stop));
        Assert.Equal(before + 1, workspace.Assets.Count());
        Directory.Delete(folder, recursive: true);
    }

    private Task<HttpResponseMessage> ListenAsync(string who)
    {
        var request = new HttpRequestMessage(HttpMethod.Get, "/api/events");
        request.Headers.Add("Cookie", $"person={who}");
        return server.Bare.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, Stop);
    }

    private async Task<JsonObject> BringAsync()
    {
        using var form = new MultipartFormDataContent
        {
            {
                new ByteArrayContent(
                    await File.ReadAllBytesAsync(
                        Path.Combine(ServerFixture.Root, "demo/mailbox/lantern-evening.eml"),
                        Stop
                    )
                ),
                "file",
                "mail.eml"
            },
        };
        return (
            await (await server.Http.PostAsync("/api/intake/file", form, Stop)).Content.ReadFromJsonAsync<JsonObject>(
                Stop
            )
        )!;
    }
}
