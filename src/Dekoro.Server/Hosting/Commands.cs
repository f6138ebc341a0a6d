using System.CommandLine;
using Dekoro.Application.Backup;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Publication;
using Dekoro.Application.Trash;
using Dekoro.Imaging;
using Dekoro.Storage;

namespace Dekoro.Server.Hosting;

/// <summary>
/// The command line: serve, import, publish, backup, restore, recover, quarantine. Settings come from it first, then
/// from the environment.
/// </summary>
internal static class Commands
{
    private const int UsualPort = 5380;
    private const string FullDisk =
        "The disk is full, so nothing was done, and all that was kept before is safe: free some space, then "
        + "start again.";

    public static Task<int> RunAsync(string[] args)
    {
        var data = new Option<DirectoryInfo>("--data")
        {
            Description = "The data folder (DEKORO_DATA, else ./data).",
            DefaultValueFactory = _ => new DirectoryInfo(Environment.GetEnvironmentVariable("DEKORO_DATA") ?? "data"),
            Recursive = true,
        };
        var root = new RootCommand("Dekoro: pictures on pages, right at every width.") { data };
        root.Add(Serve(data));
        root.Add(Import(data));
        root.Add(Publish(data));
        root.Add(Backup(data));
        root.Add(Restore(data));
        root.Add(Recover(data));
        root.Add(Quarantine(data));
        return root.Parse(args).InvokeAsync();
    }

    private static Command Serve(Option<DirectoryInfo> data)
    {
        var port = new Option<int?>("--port") { Description = $"The port on this machine (usually {UsualPort})." };
        var empty = new Option<bool>("--empty") { Description = "Begin without the demo site." };
        var isPublic = new Option<bool>("--public")
        {
            Description = "Listen beyond this machine; refused until there are accounts.",
        };
        var command = new Command("serve", "Serves the tool and the public site.") { port, empty, isPublic };
        command.SetAction(
            async (parsed, stop) =>
            {
                if (parsed.GetValue(isPublic))
                {
                    await Console.Error.WriteLineAsync(
                        "Dekoro has no accounts yet, so whoever reaches it may do everything: it listens on "
                            + "this machine alone. "
                            + "Start it without --public, and put the published site (dekoro publish --out DIR) "
                            + "on a web server."
                    );
                    return 1;
                }
                var urls = parsed.GetValue(port) is { } p
                    ? $"http://127.0.0.1:{p}"
                    : Environment.GetEnvironmentVariable("DEKORO_URLS") ?? $"http://127.0.0.1:{UsualPort}";
                return await GuardedAsync(() =>
                    Host.ServeAsync(PlacesOf(parsed.GetValue(data)!, demo: !parsed.GetValue(empty)), urls, stop)
                );
            }
        );
        return command;
    }

    private static Command Import(Option<DirectoryInfo> data)
    {
        var folder = new Argument<DirectoryInfo>("DIR")
        {
            Description = "A folder of pictures; its subfolders become folders of the library.",
        };
        var command = new Command("import", "Takes all pictures of a folder into the library.") { folder };
        command.SetAction(
            (parsed, stop) =>
                GuardedAsync(async () =>
                {
                    await using var app = Host.Build(PlacesOf(parsed.GetValue(data)!, demo: false), null);
                    return await Importing.FolderAsync(app.Services, parsed.GetValue(folder)!, stop);
                })
        );
        return command;
    }

    private static Command Publish(Option<DirectoryInfo> data)
    {
        var into = new Option<DirectoryInfo>("--out")
        {
            Description = "The folder to write the site into.",
            Required = true,
        };
        var command = new Command("publish", "Writes the public site into a folder that any web server can serve.")
        {
            into,
        };
        command.SetAction(
            (parsed, stop) =>
                GuardedAsync(async () =>
                {
                    await using var app = Host.Build(PlacesOf(parsed.GetValue(data)!, demo: false), null);
                    var (written, files, nextChange) = await app
                        .Services.GetRequiredService<Publisher>()
                        .ExportAsync(parsed.GetValue(into)!.FullName, new Progress<PublishProgress>(), stop);
                    Console.WriteLine(
                        $"{files} files in {parsed.GetValue(into)!.FullName}, {written} of them written now."
                    );
                    if (nextChange is not null)
                        Console.WriteLine(
                            $"On {nextChange} the site becomes another by its dates, which a folder cannot do "
                                + "by itself: write it again then."
                        );
                    return 0;
                })
        );
        return command;
    }

    private static Command Backup(Option<DirectoryInfo> data)
    {
        var into = new Argument<DirectoryInfo>("DIR")
        {
            Description = "The folder that holds the backups; each is a folder in it.",
        };
        var command = new Command("backup", "Copies database, originals and public site, while Dekoro runs.") { into };
        command.SetAction(
            (parsed, _) =>
                GuardedAsync(() =>
                {
                    var made = Backups.Make(
                        parsed.GetValue(data)!.FullName,
                        parsed.GetValue(into)!.FullName,
                        TimeProvider.System
                    );
                    Console.WriteLine($"{made.Folder} holds all of it: {made.Files} files, {made.Bytes >> 20} MB.");
                    return Task.FromResult(0);
                })
        );
        return command;
    }

    private static Command Restore(Option<DirectoryInfo> data)
    {
        var from = new Argument<DirectoryInfo>("DIR")
        {
            Description = "A backup, or the folder that holds several: then the newest.",
        };
        var command = new Command("restore", "Verifies a backup and puts it into an empty data folder.") { from };
        command.SetAction(
            (parsed, _) =>
                GuardedAsync(() =>
                {
                    var restored = Backups.Restore(parsed.GetValue(from)!.FullName, parsed.GetValue(data)!.FullName);
                    Console.WriteLine(
                        $"{restored.Folder} is whole and stands in {parsed.GetValue(data)!.FullName} again: "
                            + $"{restored.Files} files."
                    );
                    return Task.FromResult(0);
                })
        );
        return command;
    }

    private static Command Recover(Option<DirectoryInfo> data)
    {
        var command = new Command(
            "recover",
            "Begins a new database where it was lost, and takes the originals into its library."
        );
        command.SetAction(
            (parsed, stop) =>
                GuardedAsync(async () =>
                {
                    await using var app = Host.Build(
                        PlacesOf(parsed.GetValue(data)!, demo: false) with
                        {
                            BeginsAnew = true,
                        },
                        null
                    );
                    var workspace = app.Services.GetRequiredService<Workspace>();
                    if (!workspace.Database.IsNew)
                    {
                        await Console.Error.WriteLineAsync(
                            $"{Workspace.DatabaseName} is there: nothing was changed. Recover is for a data "
                                + "folder whose database is lost."
                        );
                        return 1;
                    }
                    return await QuarantineReturn.RestoreAsync(
                        app.Services,
                        workspace.Quarantine.All().Select(f => f.Name),
                        stop
                    );
                })
        );
        return command;
    }

    private static Command Quarantine(Option<DirectoryInfo> data)
    {
        var names = new Argument<string[]>("NAME")
        {
            Description = "Files to take into the library again; without names they are listed.",
            Arity = ArgumentArity.ZeroOrMore,
        };
        var command = new Command(
            "quarantine",
            "Lists originals that no record names, or takes some into the library again."
        )
        {
            names,
        };
        command.SetAction(
            (parsed, stop) =>
                GuardedAsync(async () =>
                {
                    await using var app = Host.Build(PlacesOf(parsed.GetValue(data)!, demo: false), null);
                    if (parsed.GetValue(names) is { Length: > 0 } chosen)
                        return await QuarantineReturn.RestoreAsync(app.Services, chosen, stop);
                    foreach (var file in app.Services.GetRequiredService<Workspace>().Quarantine.All())
                        Console.WriteLine(
                            $"{file.Name}  {file.Bytes, 12} bytes, goes on "
                                + $"{file.Since.AddDays(TrashPurge.WaitDays):yyyy-MM-dd}"
                        );
                    return 0;
                })
        );
        return command;
    }

    private static DataOptions PlacesOf(DirectoryInfo data, bool demo) =>
        new(
            data.FullName,
            Existing(
                Environment.GetEnvironmentVariable("DEKORO_CLIENT") ?? Path.Combine(AppContext.BaseDirectory, "client")
            ),
            demo ? Existing(Environment.GetEnvironmentVariable("DEKORO_DEMO")) : null
        )
        {
            MailFolder = Existing(
                Environment.GetEnvironmentVariable("DEKORO_MAIL")
                    ?? Path.Combine(Environment.GetEnvironmentVariable("DEKORO_DEMO") ?? "", "mailbox")
            ),
            Effort = Enum.TryParse<EncodingEffort>(
                Environment.GetEnvironmentVariable("DEKORO_EFFORT"),
                ignoreCase: true,
                out var effort
            )
                ? effort
                : EncodingEffort.Usual,
            AllowedHosts = Listed("DEKORO_FETCH_FROM"),
            Hosts = Listed("DEKORO_HOSTS"),
            SiteHost = Environment.GetEnvironmentVariable("DEKORO_SITE_HOST") is { Length: > 0 } host ? host : null,
            ReserveBytes =
                long.TryParse(Environment.GetEnvironmentVariable("DEKORO_RESERVE_MB"), out var mb) && mb >= 0
                    ? mb << 20
                    : 1L << 30,
        };

    private static string[] Listed(string variable) =>
        Environment
            .GetEnvironmentVariable(variable)
            ?.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
        ?? [];

    private static string? Existing(string? folder) =>
        folder is not null && Directory.Exists(folder) ? Path.GetFullPath(folder) : null;

    /// <summary>What a person can mend is said in a sentence; anything else keeps its trace.</summary>
    private static async Task<int> GuardedAsync(Func<Task<int>> run)
    {
        try
        {
            return await run();
        }
        catch (Exception e) when (DurableWrites.IsFull(e))
        {
            await Console.Error.WriteLineAsync(FullDisk);
            return 1;
        }
        catch (Exception e)
            when (e is IOException or UnauthorizedAccessException or OperationCanceledException or RefusedDataException)
        {
            if (e is not OperationCanceledException)
                await Console.Error.WriteLineAsync(e.Message);
            return 1;
        }
    }
}
