using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Core.Geometry;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging.Abstractions;

namespace Dekoro.Server.Tests;

/// <summary>Keep areas that an earlier version guessed are guessed anew; what a person drew stays.</summary>
public sealed class GuessedLaterTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static readonly FocalRegion Old = new(0, 0, 0.1, 0.1);

    [Fact]
    public async Task A_guess_of_before_is_made_anew_a_drawn_area_stays_and_what_cannot_be_read_keeps_its_guess()
    {
        var (guessed, drawn, lost) = (
            await server.TakeInAsync("box-kite.jpg"),
            await server.TakeInAsync("line-reel.jpg"),
            await server.TakeInAsync("two-lanterns.jpg")
        );
        var workspace = server.Services.GetRequiredService<Workspace>();
        var now = KeepOf(guessed);
        AsBefore("guess", guessed, lost);
        AsBefore("hand", drawn);
        File.Delete(workspace.PathOf(workspace.Assets.Find(lost)!));
        Assert.Equal([Old, Old, Old], new[] { guessed, drawn, lost }.Select(KeepOf));

        using var later = new MeasuringLater(
            workspace,
            server.Services.GetRequiredService<TwinFinder>(),
            server.Services.GetRequiredService<PixelQueue>(),
            NullLogger<MeasuringLater>.Instance
        );
        await later.StartAsync(TestContext.Current.CancellationToken);
        await later.ExecuteTask!;
        Assert.NotEqual(Old, now);
        // Told of a copy that is as large, decoded another way.
        foreach (var of in new Func<FocalRegion, double>[] { k => k.X, k => k.Y, k => k.Width, k => k.Height })
            Assert.Equal(of(now!.Value), of(KeepOf(guessed)!.Value), 0.03);
        Assert.Equal([Old, Old], new[] { drawn, lost }.Select(KeepOf));
        Assert.Empty(workspace.Assets.GuessedBefore());

        FocalRegion? KeepOf(string id) => workspace.Assets.Find(id)!.Facts.Keep;

        void AsBefore(string by, params string[] ids)
        {
            using var file = new SqliteConnection($"Data Source={workspace.Places.DataFolder}/dekoro.db");
            file.Open();
            foreach (var id in ids)
            {
                using var command = file.CreateCommand();
                command.CommandText =
                    "UPDATE asset SET keep_x = 0, keep_y = 0, keep_w = 0.1, keep_h = 0.1, keep_by = $by, "
                    + "keep_asked = 1 WHERE id = $id";
                command.Parameters.AddWithValue("$by", by);
                command.Parameters.AddWithValue("$id", id);
                Assert.Equal(1, command.ExecuteNonQuery());
            }
        }
    }
}
