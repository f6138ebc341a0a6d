using System.Globalization;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Banners;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Core.Publication;
using Dekoro.Imaging;
using Dekoro.Publishing;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Net.Http.Headers;
using NodaTime;
using NodaTime.Text;

namespace Dekoro.Server.Endpoints;

/// <summary>Files and pages that are not JSON: proofs, their pictures, and the public site.</summary>
internal static class MediaEndpoints
{
    private const string Forever = "public, max-age=31536000, immutable";
    private const string ADay = "public, max-age=86400";
    private const string PicturePolicy = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox";

    public static void MapMedia(this IEndpointRouteBuilder app)
    {
        app.MapGet("/media/proof/{asset}/{cut}/{width:int}", ProofFile).ExcludeFromDescription();
        app.MapGet("/media/original/{asset}", Original).ExcludeFromDescription();
        app.MapGet("/media/file/{id}", OtherFile).ExcludeFromDescription();
        app.MapGet("/media/{name}", Planned).ExcludeFromDescription();
        app.MapGet("/proof/assets/{name}", ProofAsset).ExcludeFromDescription();
        app.MapGet("/proof/{id}", ProofPage).ExcludeFromDescription();
        app.MapGet("/stage/{id}", ArrangementEndpoints.Stage).ExcludeFromDescription();
        app.MapMethods("/live/{**path}", [HttpMethods.Get, HttpMethods.Head], Live).ExcludeFromDescription();
    }

    /// <summary>
    /// A picture, or a cut of it written x-y-w-h, at one of the proof widths; nothing else is made on demand.
    /// </summary>
    private static async Task<IResult> ProofFile(
        string asset,
        string cut,
        int width,
        Workspace workspace,
        Proposals proposals,
        RenditionMaker maker,
        HttpResponse response
    )
    {
        if (!RenditionMaker.ProofWidths.Contains(width))
            return Problems.Of(404, $"Proofs are {string.Join(", ", RenditionMaker.ProofWidths)} px wide.");
        if (Found(asset, workspace, proposals) is not { } found)
            return Problems.NoPicture();
        if (CutOf(cut, found.Facts.Size) is not { } window)
            return Problems.Of(404, "This cut does not lie in the picture.");
        try
        {
            var path = await maker.ProofAsync(found, window, width);
            // Without its version named, a picture may be another one tomorrow.
            response.Headers.CacheControl = asset.Contains('.', StringComparison.Ordinal) ? Forever : "no-cache";
            return Results.File(path, found.Facts.IsAnimated ? "image/gif" : "image/webp");
        }
        catch (RefusedFileException e)
        {
            return Problems.Of(422, e.Message);
        }
    }

    /// <summary>
    /// A drawing is sent as it is kept, unable to act; a photograph is offered for keeping, never shown.
    /// </summary>
    private static IResult Original(string asset, Workspace workspace, Proposals proposals, HttpResponse response)
    {
        if (Found(asset, workspace, proposals) is not { } found)
            return Problems.NoPicture();
        response.Headers.ContentSecurityPolicy = PicturePolicy;
        response.Headers.CacheControl = Forever;
        return found.Facts.IsVector
            ? Results.File(workspace.PathOf(found), "image/svg+xml")
            : Results.File(workspace.PathOf(found), "application/octet-stream", found.Facts.FileName);
    }

    /// <summary>
    /// Sound and video can be played where they stand; everything else is offered for keeping. None can act.
    /// </summary>
    private static IResult OtherFile(string id, Workspace workspace, HttpResponse response)
    {
        if (workspace.Downloads.Find(id) is not { } found)
            return Problems.NoFile();
        response.Headers.ContentSecurityPolicy = PicturePolicy;
        response.Headers.CacheControl = "no-cache";
        var plays = found.Facts.Type.Kind is DownloadKind.Sound or DownloadKind.Video;
        return Results.File(
            workspace.Files.PathOf(found.Sha256),
            found.Facts.Type.MediaType,
            plays ? null : found.Facts.FileName,
            enableRangeProcessing: true
        );
    }

    /// <summary>A file that some plan has asked for, made when it is first wanted.</summary>
    private static async Task<IResult> Planned(
        string name,
        Workspace workspace,
        RenditionMaker maker,
        HttpResponse response
    )
    {
        if (workspace.Renditions.SpecOf(name) is not { } spec)
            return Problems.Of(404, "No page asks for this file.");
        var file = Json.Read<PlannedFile>(spec);
        if (workspace.Assets.Find(file.AssetId) is not { } asset)
            return Problems.NoPicture();
        // Asked for of an older version: it is given where it was made, and not made of another.
        if (maker.NameOf(asset, file) != name && !File.Exists(maker.PathOf(name)))
            return Problems.Of(404, "This file was of an older version of the picture.");
        response.Headers.CacheControl = Forever;
        return Results.File(
            maker.NameOf(asset, file) == name ? await maker.PlannedAsync(asset, file) : maker.PathOf(name),
            FigureMime.Of(file.Format)
        );
    }

    private static IResult ProofAsset(string name, Workspace workspace, HttpResponse response)
    {
        if (name == "site.css")
            return Results.Text(SiteCss.Write(new PageLayout(workspace.Style.Current), isProof: true), "text/css");
        if (name == Dekoro.Publishing.Assets.SetsStyle)
            return Results.Bytes(Dekoro.Publishing.Assets.Bytes(name), "text/css");
        if (Dekoro.Publishing.Assets.Scripts.Contains(name))
            return Results.Bytes(Dekoro.Publishing.Assets.Bytes(name), "text/javascript");
        if (!Dekoro.Publishing.Assets.Fonts.Contains(name))
            return Results.NotFound();
        response.Headers.CacheControl = Forever;
        return Results.File(Dekoro.Publishing.Assets.Bytes(name), "font/woff2");
    }

    /// <summary>
    /// The draft as a page, or with ?state as it stood then; with ?desk it has proof pictures and no end, for the desk
    /// to work on.
    /// </summary>
    private static async Task<IResult> ProofPage(
        string id,
        string? desk,
        long? state,
        string? set,
        int? sheet,
        string? day,
        string? banner,
        long? bannerState,
        Workspace workspace,
        PlanningContext planning,
        DraftPreview preview,
        RenditionMaker maker,
        HttpResponse response
    )
    {
        if (workspace.Pages.Find(id) is not { } page)
            return Problems.NoPage();
        AsProof(response);
        if (state is { } version)
        {
            if (workspace.States.Find(id, version) is not { } then)
                return Problems.NoState();
            page = page with { Title = then.Title, Summary = then.Summary, Draft = then.Draft, Version = -version };
        }
        var onDay = Day(day) is { } other ? planning.On(other) : planning;
        var shown = BannerOf(banner, bannerState, workspace) is { } top
            ? planning.PageWith(page, top)
            : onDay.PageOf(page);
        var source = GalleryPages.At(shown, set, sheet ?? 1);
        if (desk is not null)
            return Results.Text(await preview.PageAsync(source, DraftPreview.ForDesk), "text/html");
        var plan = PagePlanner.Plan(source, planning.Facts(source));
        var assets = workspace.Assets.FindMany([.. plan.Assets.Distinct()]).ToDictionary(a => a.Id);
        workspace.Renditions.Register(
            plan.Figures.Values.SelectMany(f => f.Files)
                .Where(f => !f.IsUnchanged)
                .Distinct()
                .Select(f => (maker.NameOf(assets[f.AssetId], f), f.AssetId, Json.Write(f)))
        );
        return Results.Text(
            await preview.PageAsync(source, new PlannedAddresses("/media/", assets, maker)),
            "text/html"
        );
    }

    /// <summary>
    /// A page that is drawn for its makers: it may show our own files, do nothing, and is never kept.
    /// </summary>
    internal static void AsProof(HttpResponse response)
    {
        response.Headers.ContentSecurityPolicy = PagePolicy.Header;
        response.Headers.CacheControl = "no-store";
    }

    /// <summary>A banner as it is, or as it stood in a state; null where none is named, or it is gone.</summary>
    private static Banner? BannerOf(string? id, long? state, Workspace workspace)
    {
        var content =
            id is null ? null
            : state is { } version ? workspace.Banners.States.Find(id, version)?.Content
            : workspace.Banners.Find(id)?.Content;
        return content is null ? null : BannerValues.Read(content).Check(id!).Banner;
    }

    /// <summary>A day as 2026-12-01; null for none, and for what is none.</summary>
    private static LocalDate? Day(string? written) =>
        written is not null && LocalDatePattern.Iso.Parse(written) is { Success: true } read ? read.Value : null;

    private static IResult Live(string? path, LiveSite live, HttpRequest request, HttpResponse response)
    {
        response.Headers.ContentSecurityPolicy = PagePolicy.Header;
        var address = path ?? "";
        var tag = new EntityTagHeaderValue($"\"{live.Release}\"");
        if (!live.IsThere)
            return Results.Text("Nothing is published yet: press Publish in Dekoro.", statusCode: 404);
        if (live.PathOf(address) is { } file)
        {
            var immutable = address.StartsWith("media/", StringComparison.Ordinal);
            response.Headers.CacheControl =
                immutable ? Forever
                : address.EndsWith(".woff2", StringComparison.Ordinal) ? ADay
                : "no-cache";
            // Viewers of other houses read from their own pages (IIIF Image API 3.0, 7.1).
            if (address.StartsWith("iiif/", StringComparison.Ordinal))
                response.Headers.AccessControlAllowOrigin = "*";
            // Whatever is no page may not act as one: an SVG is a document where it is opened by itself.
            if (!address.EndsWith(".html", StringComparison.Ordinal))
                response.Headers.ContentSecurityPolicy = PicturePolicy;
            return Results.File(file, FigureMime.OfName(address), entityTag: tag, enableRangeProcessing: true);
        }
        var page = address.TrimEnd('/');
        if (live.PathOf(page.Length == 0 ? "index.html" : page + "/index.html") is not { } index)
            return Results.Text("There is no page at this address.", statusCode: 404);
        // Addresses inside a page are relative to its folder.
        if (!request.Path.Value!.EndsWith('/'))
            return Results.Redirect(Uri.EscapeDataString(request.Path.Value.Split('/')[^1]) + "/");
        response.Headers.CacheControl = "no-cache";
        // What is made to be shown elsewhere may be framed by anyone.
        if (SnippetPage.IsPath(page))
            response.Headers.ContentSecurityPolicy = PagePolicy.FramedHeader;
        return Results.File(index, "text/html; charset=utf-8", entityTag: tag);
    }

    /// <summary>A picture by its id, as the version in use or, where it says .n, as version n.</summary>
    private static Asset? Found(string name, Workspace workspace, Proposals proposals)
    {
        var parts = name.Split('.', 2);
        if ((workspace.Assets.Find(parts[0]) ?? proposals.FindPicture(parts[0])) is not { } asset)
            return null;
        if (parts.Length == 1)
            return asset;
        if (!int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var number))
            return null;
        if (number == asset.Facts.Edition)
            return asset;
        return workspace.Editions.Find(asset.Id, number) is { } edition
            ? asset with
            {
                Edits = edition.Edits,
                Facts = asset.Facts with { Size = edition.Size, Edition = number },
            }
            : null;
    }

    private static Cut? CutOf(string text, PixelSize size)
    {
        if (text == "whole")
            return Cut.Whole(size);
        var parts = text.Split('-');
        var numbers = new int[4];
        for (var i = 0; i < 4; i++)
        {
            if (
                parts.Length != 4
                || !int.TryParse(parts[i], NumberStyles.None, CultureInfo.InvariantCulture, out numbers[i])
            )
                return null;
        }
        var cut = new Cut(numbers[0], numbers[1], numbers[2], numbers[3]);
        return
            cut is { Width: > 0, Height: > 0 }
            && (long)cut.X + cut.Width <= size.Width
            && (long)cut.Y + cut.Height <= size.Height
            ? cut
            : null;
    }
}

/// <summary>Media types of what is served.</summary>
internal static class FigureMime
{
    public static string Of(OutputFormat format) => Dekoro.Publishing.Views.PictureView.MimeOf(format);

    private static readonly FileExtensionContentTypeProvider Types = new();

    public static string OfName(string name) =>
        Path.GetExtension(name) switch
        {
            ".html" => "text/html; charset=utf-8",
            ".css" => "text/css; charset=utf-8",
            ".woff2" => "font/woff2",
            ".jpg" => "image/jpeg",
            ".svg" => "image/svg+xml",
            ".avif" => "image/avif",
            _ => Types.TryGetContentType(name, out var type) ? type : "application/octet-stream",
        };
}
