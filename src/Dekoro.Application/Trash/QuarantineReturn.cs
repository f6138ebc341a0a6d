using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Core.Media;

namespace Dekoro.Application.Trash;

/// <summary>Files of quarantine into the library again.</summary>
public static class QuarantineReturn
{
    /// <summary>From the command line, with a line for each.</summary>
    public static async Task<int> RestoreAsync(
        IServiceProvider services,
        IEnumerable<string> names,
        CancellationToken stop
    )
    {
        var (workspace, ingest) = (
            services.GetRequiredService<Workspace>(),
            services.GetRequiredService<AssetIngest>()
        );
        var refused = 0;
        foreach (var name in names)
        {
            var taken = await TakeBackAsync(workspace, ingest, name, stop);
            if (taken is null or { IsRefused: true })
                refused++;
            var became = taken is null ? "there is no such file in quarantine" : taken.Error ?? "in the library again";
            Console.WriteLine($"{name}: {became}");
        }
        return refused > 0 ? 1 : 0;
    }

    /// <returns>What became of it; null where there is no such file.</returns>
    public static async Task<Taken?> TakeBackAsync(
        Workspace workspace,
        AssetIngest ingest,
        string name,
        CancellationToken stop
    )
    {
        if (workspace.Quarantine.Find(name) is not { } file)
            return null;
        Taken taken;
        await using (var content = workspace.Quarantine.Open(file))
            taken = await ingest.TakeAsync($"Found {file.Sha256[..8]}", content, new PictureMetadata(), stop);
        // Only what stands in the library again is gone from here.
        if (!taken.IsRefused)
            workspace.Quarantine.Remove(file);
        return taken;
    }
}
