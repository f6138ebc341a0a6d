using Dekoro.Core.Library;

namespace Dekoro.Server.Work;

/// <summary>Takes a folder in from the command line, with a line for each file.</summary>
internal static class Importing
{
    public static async Task<int> FolderAsync(IServiceProvider services, DirectoryInfo folder, CancellationToken stop)
    {
        if (!folder.Exists)
        {
            await Console.Error.WriteLineAsync($"There is no folder {folder.FullName}: check the name.");
            return 1;
        }
        var takingIn = services.GetRequiredService<TakingIn>();
        var refused = 0;
        foreach (var file in folder.EnumerateFiles("*", SearchOption.AllDirectories).OrderBy(f => f.FullName, StringComparer.Ordinal))
        {
            await using var content = file.OpenRead();
            var under = Path.GetRelativePath(folder.FullName, file.DirectoryName!);
            var taken = await takingIn.TakeAsync(file.Name, content, new Words(Folder: under == "." ? "" : under), stop);
            if (taken.IsRefused) refused++;
            Console.WriteLine(taken switch
            {
                { Error: { } error } => $"{taken.Name}: {error}",
                { WasThere: true } => $"{taken.Name}: was in the library already",
                { Note: { } note } => $"{taken.Name}: taken in. {note}",
                _ => $"{taken.Name}: taken in",
            });
        }
        return refused > 0 ? 1 : 0;
    }
}
