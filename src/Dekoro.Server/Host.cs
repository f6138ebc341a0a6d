using System.Net;
using Dekoro.Publishing;
using Dekoro.Server.Demo;
using Dekoro.Server.Http;
using Dekoro.Server.Work;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.FileProviders;

namespace Dekoro.Server;

/// <summary>Puts the one process together.</summary>
public static class Host
{
    public static async Task<int> ServeAsync(Places places, string urls, CancellationToken stop)
    {
        await using var app = Build(places, urls);
        var workspace = app.Services.GetRequiredService<Workspace>();
        if (places.DemoFolder is not null && workspace.Assets.Count() == 0 && workspace.Pages.All().Count == 0)
        {
            await DemoSite.TakeInAsync(app.Services, places.DemoFolder, stop);
            await app.Services.GetRequiredService<Publisher>().PublishAsync(new Progress<PublishProgress>(), stop);
        }
        await app.StartAsync(stop);
        Console.WriteLine($"Dekoro is ready at {app.Urls.First()}");
        await app.WaitForShutdownAsync(stop);
        return 0;
    }

    /// <param name="urls">Null: nothing will be served.</param>
    public static WebApplication Build(Places places, string? urls, Action<WebApplicationBuilder>? adjust = null)
    {
        var builder = WebApplication.CreateSlimBuilder(new WebApplicationOptions { ApplicationName = "Dekoro.Server", ContentRootPath = AppContext.BaseDirectory });
        builder.Logging.SetMinimumLevel(LogLevel.Warning);
        if (urls is not null) builder.WebHost.UseUrls(urls);
        builder.WebHost.ConfigureKestrel(k =>
        {
            // Each file has its own limit and its own sentence; a whole request of many files has none.
            k.Limits.MaxRequestBodySize = null;
            k.AddServerHeader = false;
        });
        builder.Services.AddSingleton(places).AddSingleton<Workspace>().AddSingleton<Events>().AddHttpContextAccessor().AddSingleton<Person>().AddSingleton<TakingIn>().AddSingleton<StandInDesk>().AddSingleton<Fetching>().AddSingleton<Versions>().AddSingleton<Proposals>().AddSingleton<Archives>().AddSingleton<Mailbox>().AddSingleton<PageMaking>().AddSingleton<LooksGiven>().AddSingleton<DraftEndpoints.Keeping>().AddSingleton<Grids>().AddSingleton<Swaps>().AddSingleton<SiteClock>().AddSingleton<PlanBook>().AddSingleton<StagePlans>()
            .AddSingleton<RenditionMaker>().AddSingleton<Renderer>().AddSingleton<LiveSite>().AddSingleton<Publisher>().AddSingleton<Looking>()
            .AddSingleton(TimeProvider.System).AddSingleton<BackgroundWork>().AddHostedService(s => s.GetRequiredService<BackgroundWork>())
            .AddHostedService<TellingColours>()
            .AddSingleton<Leaving>().AddHostedService(s => s.GetRequiredService<Leaving>());
        builder.Services.ConfigureHttpJsonOptions(o => Json.Set(o.SerializerOptions));
        builder.Services.AddProblemDetails(o => o.CustomizeProblemDetails = c =>
            c.ProblemDetails.Detail ??= IsFull(c.Exception) ? FullDisk : SentenceFor(c.ProblemDetails.Status));
        builder.Services.AddResponseCompression(o => (o.EnableForHttps, o.MimeTypes) = (true, ["text/html", "text/css", "text/javascript", "image/svg+xml"]));
        builder.Services.AddOpenApi(Description.Set);
        adjust?.Invoke(builder);
        var app = builder.Build();
        app.Lifetime.ApplicationStopping.Register(app.Services.GetRequiredService<Events>().Close);
        app.UseExceptionHandler(new ExceptionHandlerOptions
        {
            StatusCodeSelector = e => IsFull(e) ? StatusCodes.Status507InsufficientStorage : StatusCodes.Status500InternalServerError,
        });
        app.UseStatusCodePages();
        app.UseGuard();
        // Of the public site alone: nothing secret is mixed with what a request says there (RFC 7457, 2.6).
        app.UseWhen(c => c.Request.Path.StartsWithSegments("/live"), live => live.UseResponseCompression());
        app.MapOpenApi();
        app.MapGet("/health", (Workspace w) => new Health("ok", Version, w.Database.SchemaVersion())).WithSummary("Liveness: version and the database's schema.");
        var api = app.MapGroup("/api");
        api.MapFiles();
        api.MapLibraryTable();
        api.MapSearches();
        api.MapArrangements();
        api.MapColumns();
        api.MapDownloads();
        api.MapLeaving();
        api.MapRoom();
        api.MapSwaps();
        api.MapPages();
        api.MapDrafts();
        api.MapStates();
        api.MapIntake();
        api.MapArchives();
        api.MapVideos();
        api.MapSite();
        api.MapPublish();
        app.MapMedia();
        app.MapShelf();
        app.MapStandIns();
        app.Map("/api/{**rest}", () => Problems.Of(404, "There is nothing at this address.")).ExcludeFromDescription();
        if (places.ClientFolder is not null) ServeClient(app, places.ClientFolder);
        return app;
    }

    public static string Version => typeof(Host).Assembly.GetName().Version!.ToString(3);

    private static void ServeClient(WebApplication app, string folder)
    {
        var files = new PhysicalFileProvider(folder);
        app.UseStaticFiles(new StaticFileOptions
        {
            FileProvider = files,
            OnPrepareResponse = c => c.Context.Response.Headers.CacheControl =
                c.Context.Request.Path.StartsWithSegments("/_app/immutable") ? "public, max-age=31536000, immutable" : "no-cache",
        });
        // Every other address is a place in the tool, which finds its own way.
        app.MapFallbackToFile("index.html", new StaticFileOptions { FileProvider = files });
    }

    private const string FullDisk =
        "The disk is full, so this was not kept; all that was kept before is safe, and what you typed is still in your window. Free some space: it is tried again by itself.";

    /// <summary>SQLITE_FULL, or SQLITE_IOERR_SHMSIZE: no room for the log's index.</summary>
    private static bool IsFull(Exception? e) => e is SqliteException { SqliteErrorCode: 13 } or SqliteException { SqliteExtendedErrorCode: 4874 };

    private static string? SentenceFor(int? status) => status switch
    {
        400 => "This request could not be read: check it against /openapi/v1.json.",
        404 => "There is nothing at this address.",
        500 => "Something went wrong here that should not have; nothing you had saved is lost. Try again.",
        _ => null,
    };
}

/// <param name="Schema">Number of the newest migration in the database.</param>
public sealed record Health(string Status, string Version, long Schema);
