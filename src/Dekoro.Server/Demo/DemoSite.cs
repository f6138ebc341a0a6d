using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Pictures;
using Dekoro.Application.Site;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Banners;
using Dekoro.Core.Content;
using Dekoro.Core.Geometry;
using Dekoro.Core.Links;
using Dekoro.Core.Media;

namespace Dekoro.Server.Demo;

/// <summary>
/// Takes in the demo site: a folder with <c>files/</c> and <c>site.json</c>, which names pictures by file.
/// </summary>
internal static class DemoSite
{
    private sealed record Site(
        StoredStyle Style,
        Dictionary<string, PictureWords> Pictures,
        List<Page> Pages,
        string AddedBy,
        List<string>? OwnColumns,
        Dictionary<string, ArrangementValues>? Arrangements,
        Dictionary<string, BannerValues>? Banners
    );

    /// <param name="Keep">Left, top, width and height, in fractions.</param>
    private sealed record PictureWords(
        string? Title,
        string? Alt,
        string? Caption,
        string? Description,
        string? Credit,
        string? Folder,
        string? Keywords,
        double[]? Keep
    )
    {
        public Dictionary<string, string>? Own { get; init; }

        public PictureMetadata On(PictureMetadata was) =>
            new FileChange(Title, Alt, Caption, Description, Credit, Folder: Folder, Keywords: Keywords, Own: Own).On(
                was
            );
    }

    private sealed record Page(
        string Id,
        string Kind,
        string Title,
        string Path,
        string Summary,
        JsonObject Document,
        DateOnly? Date = null
    );

    public static async Task TakeInAsync(IServiceProvider services, string folder, CancellationToken stop)
    {
        var (workspace, ingest, clock) = (
            services.GetRequiredService<Workspace>(),
            services.GetRequiredService<AssetIngest>(),
            services.GetRequiredService<TimeProvider>()
        );
        var site = Json.Read<Site>(await File.ReadAllTextAsync(Path.Combine(folder, "site.json"), stop));
        workspace.Style.Set(site.Style);
        workspace.OwnColumns.Set(site.OwnColumns ?? []);
        Person.Lend(site.AddedBy);
        var ids = new System.Collections.Concurrent.ConcurrentDictionary<string, string>();
        await Parallel.ForEachAsync(
            Directory.GetFiles(Path.Combine(folder, "files")).Order(StringComparer.Ordinal),
            stop,
            async (path, token) =>
            {
                await using var content = File.OpenRead(path);
                var taken = await ingest.TakeAsync(Path.GetFileName(path), content, new PictureMetadata(), token);
                if ((taken.Id ?? taken.DownloadId) is { } id)
                    ids[taken.Name] = id;
            }
        );
        foreach (var (file, words) in site.Pictures.Where(p => ids.ContainsKey(p.Key)))
            Describe(workspace, ids[file], words);
        // What is there already is of a start that was broken off.
        foreach (var (id, values) in (site.Arrangements ?? []).Where(a => workspace.Arrangements.Find(a.Key) is null))
            workspace.Arrangements.Add(id, Written(id, values, ids), clock.GetUtcNow());
        foreach (var page in site.Pages.Where(p => workspace.Pages.Find(p.Id) is null))
            workspace.Pages.Add(
                page.Id,
                page.Kind,
                new(page.Title, page.Path, page.Summary, Written(page, ids)),
                clock.GetUtcNow(),
                page.Date
            );
        TakeInBanners(workspace, site.Banners ?? [], ids, clock.GetUtcNow());
    }

    private static void TakeInBanners(
        Workspace workspace,
        Dictionary<string, BannerValues> banners,
        IReadOnlyDictionary<string, string> ids,
        DateTimeOffset now
    )
    {
        foreach (var (id, values) in banners.Where(b => workspace.Banners.Find(b.Key) is null))
        {
            var band = JsonNode.Parse(values.Band.GetRawText())!;
            NameFiles(band, ids);
            var reading = (values with { Band = JsonSerializer.SerializeToElement(band) }).Check(id);
            var banner = reading.Banner ?? throw new InvalidDataException($"{id}: {reading.Sentence}");
            workspace.Banners.Add(id, BannerValues.Of(banner).Write(), now);
        }
        workspace.Banners.PutInOrder([.. banners.Keys]);
    }

    private static string Written(string id, ArrangementValues values, IReadOnlyDictionary<string, string> ids)
    {
        var named = values with { Items = [.. values.Items.Select(i => Named(i, ids))] };
        var reading = named.Check(id);
        return ArrangementValues
            .Of(reading.Arrangement ?? throw new InvalidDataException($"{id}: {reading.Sentence}"))
            .Write();
    }

    private static ItemValues Named(ItemValues item, IReadOnlyDictionary<string, string> ids) =>
        item with
        {
            Asset = ids[item.Asset],
            Instead = item.Instead is { Kind: InsteadKind.Film } film
                ? film with
                {
                    Target = ids[film.Target],
                }
                : item.Instead,
        };

    private static string Written(Page page, IReadOnlyDictionary<string, string> ids)
    {
        NameFiles(page.Document, ids);
        using var json = JsonDocument.Parse(page.Document.ToJsonString());
        var reading = DocumentReader.Read(json.RootElement);
        return reading.Document is { } document
            ? DocumentWriter.Write(document).ToJsonString()
            : throw new InvalidDataException($"{page.Id}: {reading.Errors[0].Path}: {reading.Errors[0].Sentence}");
    }

    private static void Describe(Workspace workspace, string id, PictureWords words)
    {
        var asset = workspace.Assets.Find(id)!;
        var keep = words.Keep is [var x, var y, var w, var h] ? new FocalRegion(x, y, w, h) : asset.Facts.Keep;
        workspace.Assets.Change(id, asset.Version, words.On(asset.Facts.Metadata), keep, words.Keep is not null);
    }

    /// <summary>Wherever a document names a file by its name, by its id.</summary>
    private static void NameFiles(JsonNode node, IReadOnlyDictionary<string, string> ids)
    {
        if (node["attrs"] is JsonObject attrs)
            switch ((string?)node["type"])
            {
                case "figure":
                    foreach (var own in (attrs["at"] as JsonObject ?? []).Select(at => at.Value).Append(attrs))
                        NameAll(own, ids, "asset");
                    NameAll(attrs["video"], ids, "file", "captions");
                    foreach (var own in (attrs["at"] as JsonObject ?? []).Select(at => at.Value).Append(attrs))
                        NameAll(own?["cut"], ids, "of");
                    break;
                case "linePicture":
                    NameAll(attrs, ids, "asset");
                    break;
                case "files":
                    foreach (var listed in attrs["files"]!.AsArray())
                        NameAll(listed, ids, "file");
                    break;
                case "band" or "cell":
                    NameAll(attrs, ids, "picture", "video");
                    break;
            }
        foreach (var mark in node["marks"] as JsonArray ?? [])
            NameLink(mark!["attrs"], ids);
        foreach (var child in node["content"]?.AsArray() ?? [])
            NameFiles(child!, ids);
    }

    private static void NameAll(JsonNode? holder, IReadOnlyDictionary<string, string> ids, params string[] names)
    {
        foreach (var name in names.Where(n => (string?)holder?[n] is not null))
            holder![name] = ids[(string)holder[name]!];
    }

    private static void NameLink(JsonNode? link, IReadOnlyDictionary<string, string> ids)
    {
        if ((string?)link?["href"] is { } href && href.StartsWith(Link.File.Scheme, StringComparison.Ordinal))
            link["href"] = Link.File.Scheme + ids[href[Link.File.Scheme.Length..]];
    }
}
