using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Application.Site;
using Dekoro.Application.ToArchive;
using Dekoro.Application.Trash;
using Dekoro.Publishing;
using Dekoro.Server.Contracts;
using Dekoro.Server.Demo;
using Dekoro.Server.Endpoints;
using Dekoro.Storage;
using Microsoft.Extensions.FileProviders;

namespace Dekoro.Server.Hosting;

/// <summary>Puts the one process together.</summary>
public static class Host
{
    /// <summary>
    /// Name of the setting that says how far the demo has come: it is laid into a new data folder alone, and gone on
    /// with where it broke off.
    /// </summary>
    private const string DemoState = "demo";

    /// <summary>Serves until it is stopped.</summary>
    public static async Task<int> ServeAsync(DataOptions places, string urls, CancellationToken stop)
    {
        if (Guard.RefusalOf(urls) is { } refusal)
        {
            await Console.Error.WriteLineAsync(refusal);
            return 1;
        }
        await using var app = Build(places, urls);
        var workspace = app.Services.GetRequiredService<Workspace>();
        if (places.DemoFolder is not null && workspace.Database.IsNew)
            workspace.Settings.Set(DemoState, "\"begun\"");
        if (places.DemoFolder is not null && workspace.Settings.Get(DemoState) == "\"begun\"")
        {
            await DemoSite.TakeInAsync(app.Services, places.DemoFolder, stop);
            await app.Services.GetRequiredService<Publisher>().PublishAsync(new Progress<PublishProgress>(), stop);
            workspace.Settings.Set(DemoState, "\"done\"");
        }
        if (workspace.Quarantine.All() is { Count: > 0 } apart)
            Console.WriteLine(
                $"{apart.Count} files lie in quarantine, because no record names them. See them with: dekoro "
                    + $"quarantine --data {places.DataFolder}"
            );
        Memory.GiveBack();
        // Before anybody can ask for another.
        app.Services.GetRequiredService<PublishJobs>().GoOnWithWhatWasRunning();
        await app.StartAsync(stop);
        Console.WriteLine($"Dekoro is ready at {app.Urls.First()}");
        await app.WaitForShutdownAsync(stop);
        return 0;
    }

    /// <param name="urls">Null: nothing will be served.</param>
    public static WebApplication Build(DataOptions places, string? urls, Action<WebApplicationBuilder>? adjust = null)
    {
        var builder = WebApplication.CreateSlimBuilder(
            new WebApplicationOptions { ApplicationName = "Dekoro.Server", ContentRootPath = AppContext.BaseDirectory }
        );
        builder.Logging.SetMinimumLevel(LogLevel.Warning);
        if (urls is not null)
            builder.WebHost.UseUrls(urls);
        builder.WebHost.ConfigureKestrel(k =>
        {
            // Each endpoint has a limit of its own (Bodies).
            k.Limits.MaxRequestBodySize = null;
            k.AddServerHeader = false;
        });
        AddServices(builder.Services, places);
        adjust?.Invoke(builder);
        var app = builder.Build();
        app.Lifetime.ApplicationStopping.Register(app.Services.GetRequiredService<Events>().Close);
        app.UseExceptionHandler(new ExceptionHandlerOptions { StatusCodeSelector = Failures.StatusOf });
        app.UseStatusCodePages();
        var guard = new Guard(places);
        app.Use(next => context => guard.InvokeAsync(context, next));
        app.UseRouting();
        app.UseBodyLimits();
        // Of the public site alone: nothing secret is mixed with what a request says there (RFC 7457, 2.6).
        app.UseWhen(c => c.Request.Path.StartsWithSegments("/live"), live => live.UseResponseCompression());
        MapAll(app);
        if (places.ClientFolder is not null)
            ServeClient(app, places.ClientFolder);
        return app;
    }

    private static void AddIngest(IServiceCollection services) =>
        services
            .AddSingleton<TwinFinder>()
            .AddSingleton<ArchiveAt>()
            .AddSingleton<DepositAt>()
            .AddSingleton<SwordClient>()
            .AddSingleton<AssetIngest>()
            .AddSingleton<StandInDesk>()
            .AddSingleton<Fetching>()
            .AddSingleton<Versions>()
            .AddSingleton<Proposals>()
            .AddSingleton<ProposalKeeping>()
            .AddSingleton<Archives>()
            .AddSingleton<Mailbox>();

    private static void AddChanges(IServiceCollection services) =>
        services
            .AddSingleton<DraftSave>()
            .AddSingleton<PageMaking>()
            .AddSingleton<PageChanges>()
            .AddSingleton<TakenMails>()
            .AddSingleton<Swaps>()
            .AddSingleton<SiteBanners>()
            .AddSingleton<BannerCalendar>()
            .AddSingleton<BannerPreview>()
            .AddSingleton<ArrangementChanges>()
            .AddSingleton<BannerChanges>()
            .AddSingleton<PictureChanges>()
            .AddSingleton<PictureVersions>()
            .AddSingleton<DownloadChanges>()
            .AddSingleton<TableChanges>()
            .AddSingleton<ColumnChanges>()
            .AddSingleton<FrameStyleUse>()
            .AddSingleton<StyleChanges>();

    private static void AddPlanning(IServiceCollection services) =>
        services
            .AddSingleton<SiteCalendar>()
            .AddSingleton<Grids>()
            .AddSingleton<SiteBook>()
            .AddSingleton<PlanningContext>()
            .AddSingleton<StagePlans>()
            .AddSingleton<Renderer>()
            .AddSingleton<PreviewDeltaCache>()
            .AddSingleton<DraftPreview>()
            .AddSingleton<ArrangementPreview>();

    private static void AddPublication(IServiceCollection services)
    {
        services
            .AddSingleton<RenditionMaker>()
            .AddSingleton<LiveSite>()
            .AddSingleton<FilesBeside>()
            .AddSingleton<IiifFiles>()
            .AddSingleton<SiteBuilder>()
            .AddSingleton<SiteChanges>()
            .AddSingleton<Publisher>()
            .AddSingleton<PublishJobs>();
        services.AddSingleton<BackgroundWork>().AddHostedService(s => s.GetRequiredService<BackgroundWork>());
        services.AddHostedService<MeasuringLater>();
        services.AddSingleton<Depositor>().AddHostedService(s => s.GetRequiredService<Depositor>());
        services.AddSingleton<TrashPurge>().AddHostedService(s => s.GetRequiredService<TrashPurge>());
    }

    private static void AddServices(IServiceCollection services, DataOptions places)
    {
        services
            .AddSingleton(places)
            .AddSingleton(TimeProvider.System)
            .AddSingleton<IFileLayer>(DiskLayer.Instance)
            .AddSingleton<Workspace>()
            .AddSingleton<Events>();
        services
            .AddHttpContextAccessor()
            .AddSingleton<INameOfRequest, NameInCookie>()
            .AddSingleton<Person>()
            .AddSingleton<PixelQueue>();
        AddIngest(services);
        AddChanges(services);
        AddPlanning(services);
        AddPublication(services);
        services.ConfigureHttpJsonOptions(o => Json.Set(o.SerializerOptions));
        services.AddProblemDetails(o =>
            o.CustomizeProblemDetails = c =>
                c.ProblemDetails.Detail ??= Failures.SentenceOf(c.Exception, c.ProblemDetails.Status)
        );
        services.AddResponseCompression(o =>
            (o.EnableForHttps, o.MimeTypes) = (true, ["text/html", "text/css", "text/javascript", "image/svg+xml"])
        );
        services.AddOpenApi(Description.Set);
    }

    private static void MapAll(WebApplication app)
    {
        app.MapOpenApi();
        app.MapGet("/health", (Workspace w) => new Health("ok", Product.Version, w.Database.SchemaVersion()))
            .WithSummary("Liveness: version and the database's schema.");
        var api = app.MapGroup("/api");
        api.MapFiles();
        api.MapTwins();
        api.MapLibraryTable();
        api.MapSearches();
        api.MapArrangements();
        api.MapBanners();
        api.MapCalendar();
        api.MapColumns();
        api.MapDownloads();
        api.MapTrash();
        api.MapRoom();
        api.MapSwaps();
        api.MapPages();
        api.MapDrafts();
        api.MapStates();
        api.MapIntake();
        api.MapArchives();
        api.MapDeposits();
        api.MapVideos();
        api.MapSite();
        api.MapPublish();
        api.MapQuarantine();
        app.MapMedia();
        app.MapCalendarAddress();
        app.MapShelf();
        app.MapStandIns();
        app.Map("/api/{**rest}", () => Problems.Of(404, "There is nothing at this address.")).ExcludeFromDescription();
    }

    private static void ServeClient(WebApplication app, string folder)
    {
        var files = new PhysicalFileProvider(folder);
        var page = File.ReadAllText(Path.Combine(folder, "index.html"));
        var policy = ToolPolicy.Of(page);
        app.UseStaticFiles(
            new StaticFileOptions
            {
                FileProvider = files,
                OnPrepareResponse = c =>
                {
                    var headers = c.Context.Response.Headers;
                    headers.CacheControl = c.Context.Request.Path.StartsWithSegments("/_app/immutable")
                        ? "public, max-age=31536000, immutable"
                        : "no-cache";
                    headers.ContentSecurityPolicy = policy;
                },
            }
        );
        // Every other address is a place in the tool, which finds its own way.
        app.MapFallback(
            IResult (HttpRequest request, HttpResponse response) =>
            {
                if (!HttpMethods.IsGet(request.Method) && !HttpMethods.IsHead(request.Method))
                    return Problems.Of(405, "A place in the tool is only looked at.");
                response.Headers.ContentSecurityPolicy = policy;
                response.Headers.CacheControl = "no-cache";
                return Results.Text(page, "text/html; charset=utf-8");
            }
        );
    }
}
