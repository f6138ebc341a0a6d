using System.Net;
using Dekoro.Application.Hosting;
using Microsoft.Extensions.DependencyInjection;

namespace Dekoro.Server.Tests;

/// <summary>A picture of which the file is lost is named where it stops a publishing.</summary>
public sealed class NotMadeTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    [Fact]
    public async Task A_publishing_that_a_lost_picture_stops_names_it_and_leaves_the_site_as_it_was()
    {
        var id = await server.TakeInAsync("line-reel.jpg");
        await server.PageAsync("Reels", new { type = "figure", attrs = new { asset = id, size = "column" } });
        var workspace = server.Services.GetRequiredService<Workspace>();
        var original = workspace.PathOf(workspace.Assets.Find(id)!);
        var bytes = await File.ReadAllBytesAsync(original, TestContext.Current.CancellationToken);
        File.Delete(original);
        var (status, problem) = await server.SendAsync(HttpMethod.Post, "/api/publish", new { });
        Assert.Equal(HttpStatusCode.InternalServerError, status);
        Assert.Matches("^“Line reel” could not be made .* the public site is as it was", (string)problem["detail"]!);

        await File.WriteAllBytesAsync(original, bytes, TestContext.Current.CancellationToken);
        await server.PostAsync("/api/publish", new { });
        Assert.Equal(
            HttpStatusCode.OK,
            (await server.Http.GetAsync("/live/", TestContext.Current.CancellationToken)).StatusCode
        );
    }
}
