using Dekoro.Server.Http;

namespace Dekoro.Server.Work;

/// <summary>Takes files out of quarantine from the command line, with a line for each.</summary>
internal static class Apart
{
    public static async Task<int> RestoreAsync(IServiceProvider services, IEnumerable<string> names, CancellationToken stop)
    {
        var (workspace, takingIn) = (services.GetRequiredService<Workspace>(), services.GetRequiredService<TakingIn>());
        var refused = 0;
        foreach (var name in names)
        {
            var taken = await QuarantineEndpoints.RestoreAsync(workspace, takingIn, name, stop);
            if (taken is null or { IsRefused: true }) refused++;
            Console.WriteLine($"{name}: {(taken is null ? "there is no such file in quarantine" : taken.Error ?? "in the library again")}");
        }
        return refused > 0 ? 1 : 0;
    }
}
