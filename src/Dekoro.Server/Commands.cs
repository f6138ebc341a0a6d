using System.CommandLine;
using Dekoro.Imaging;
using Dekoro.Server.Demo;
using Dekoro.Server.Work;

namespace Dekoro.Server;

/// <summary>The command line: serve, import, publish. Settings come from it first, then from the environment.</summary>
internal static class Commands
{
    private const int UsualPort = 5380;

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
        return root.Parse(args).InvokeAsync();
    }

    private static Command Serve(Option<DirectoryInfo> data)
    {
        var port = new Option<int?>("--port") { Description = $"The port on this machine (usually {UsualPort})." };
        var empty = new Option<bool>("--empty") { Description = "Begin without the demo site." };
        var command = new Command("serve", "Serves the tool and the public site.") { port, empty };
        command.SetAction(async (parsed, stop) =>
        {
            var urls = parsed.GetValue(port) is { } p ? $"http://127.0.0.1:{p}" : Environment.GetEnvironmentVariable("DEKORO_URLS") ?? $"http://127.0.0.1:{UsualPort}";
            return await GuardedAsync(() => Host.ServeAsync(PlacesOf(parsed.GetValue(data)!, demo: !parsed.GetValue(empty)), urls, stop));
        });
        return command;
    }

    private static Command Import(Option<DirectoryInfo> data)
    {
        var folder = new Argument<DirectoryInfo>("DIR") { Description = "A folder of pictures; its subfolders become folders of the library." };
        var command = new Command("import", "Takes all pictures of a folder into the library.") { folder };
        command.SetAction((parsed, stop) => GuardedAsync(async () =>
        {
            await using var app = Host.Build(PlacesOf(parsed.GetValue(data)!, demo: false), null);
            return await Importing.FolderAsync(app.Services, parsed.GetValue(folder)!, stop);
        }));
        return command;
    }

    private static Command Publish(Option<DirectoryInfo> data)
    {
        var into = new Option<DirectoryInfo>("--out") { Description = "The folder to write the site into.", Required = true };
        var command = new Command("publish", "Writes the public site into a folder that any web server can serve.") { into };
        command.SetAction((parsed, stop) => GuardedAsync(async () =>
        {
            await using var app = Host.Build(PlacesOf(parsed.GetValue(data)!, demo: false), null);
            var (written, files, nextChange) = await app.Services.GetRequiredService<Publisher>()
                .ExportAsync(parsed.GetValue(into)!.FullName, new Progress<PublishProgress>(), stop);
            Console.WriteLine($"{files} files in {parsed.GetValue(into)!.FullName}, {written} of them written now.");
            if (nextChange is not null) Console.WriteLine($"On {nextChange} the site becomes another by its dates, which a folder cannot do by itself: write it again then.");
            return 0;
        }));
        return command;
    }

    private static Places PlacesOf(DirectoryInfo data, bool demo) => new(data.FullName,
        Existing(Environment.GetEnvironmentVariable("DEKORO_CLIENT") ?? Path.Combine(AppContext.BaseDirectory, "client")),
        demo ? Existing(Environment.GetEnvironmentVariable("DEKORO_DEMO")) : null)
    {
        MailFolder = Existing(Environment.GetEnvironmentVariable("DEKORO_MAIL") ?? Path.Combine(Environment.GetEnvironmentVariable("DEKORO_DEMO") ?? "", "mailbox")),
        Effort = Enum.TryParse<EncodingEffort>(Environment.GetEnvironmentVariable("DEKORO_EFFORT"), ignoreCase: true, out var effort) ? effort : EncodingEffort.Usual,
        AllowedHosts = Environment.GetEnvironmentVariable("DEKORO_FETCH_FROM")?.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries) ?? [],
    };

    private static string? Existing(string? folder) => folder is not null && Directory.Exists(folder) ? Path.GetFullPath(folder) : null;

    /// <summary>What a person can mend is said in a sentence; anything else keeps its trace.</summary>
    private static async Task<int> GuardedAsync(Func<Task<int>> run)
    {
        try
        {
            return await run();
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or OperationCanceledException)
        {
            if (e is not OperationCanceledException) await Console.Error.WriteLineAsync(e.Message);
            return 1;
        }
    }
}
