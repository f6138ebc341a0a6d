using Dekoro.Core.Media;

namespace Dekoro.Application.Ingest;

/// <summary>Takes a folder in from the command line, with a line for each file.</summary>
internal static class Importing
{
    // Links may lead anywhere, round in circles too.
    private static readonly EnumerationOptions Below = new()
    {
        RecurseSubdirectories = true,
        IgnoreInaccessible = true,
        AttributesToSkip = FileAttributes.ReparsePoint,
    };

    public static async Task<int> FolderAsync(IServiceProvider services, DirectoryInfo folder, CancellationToken stop)
    {
        if (!folder.Exists)
        {
            await Console.Error.WriteLineAsync($"There is no folder {folder.FullName}: check the name.");
            return 1;
        }
        var ingest = services.GetRequiredService<AssetIngest>();
        var refused = 0;
        foreach (var file in folder.EnumerateFiles("*", Below).OrderBy(f => f.FullName, StringComparer.Ordinal))
        {
            var under = Path.GetRelativePath(folder.FullName, file.DirectoryName!);
            var taken = await OneAsync(ingest, file, under == "." ? "" : under, stop);
            if (taken.IsRefused)
                refused++;
            Console.WriteLine(
                taken switch
                {
                    { Error: { } error } => $"{taken.Name}: {error}",
                    { WasThere: true } => $"{taken.Name}: was in the library already",
                    { Note: { } note } => $"{taken.Name}: taken in. {note}",
                    _ => $"{taken.Name}: taken in",
                }
            );
        }
        return refused > 0 ? 1 : 0;
    }

    private static async Task<Taken> OneAsync(AssetIngest ingest, FileInfo file, string under, CancellationToken stop)
    {
        // A pipe or a device has no length, and reading it might never end.
        if (file.Length == 0)
            return new(file.Name, null, Error: "This file is empty (0 bytes), or is no file: it was passed over.");
        try
        {
            await using var content = file.OpenRead();
            return await ingest.TakeAsync(file.Name, content, new PictureMetadata(Folder: under), stop);
        }
        catch (Exception e) when (e is UnauthorizedAccessException or IOException)
        {
            return new(
                file.Name,
                null,
                Error: "This file cannot be read: see whether you may open it, then import it again."
            );
        }
    }
}
