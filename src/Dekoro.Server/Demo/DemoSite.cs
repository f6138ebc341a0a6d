using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Site;
using Dekoro.Core.Arrangements;
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
        Dictionary<string, ArrangementValues>? Arrangements
    );

    private sealed record PictureWords(
        string? Title,
        string? Alt,
        string? Caption,
        string? Description,
        string? Credit,
        string? Folder,
        double[]? Keep,
        string? Keywords,
        Dictionary<string, string>? Own
    );

    private sealed record Page(string Id, string Kind, string Title, string Path, string Summary, JsonObject Document);

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
        {
            var named = values with
            {
                Items =
                [
                    .. values.Items.Select(i =>
                        i with
                        {
                            Asset = ids[i.Asset],
                            Instead = i.Instead is { Kind: InsteadKind.Film } film
                                ? film with
                                {
                                    Target = ids[film.Target],
                                }
                                : i.Instead,
                        }
                    ),
                ],
            };
            var reading = named.Check(id);
            workspace.Arrangements.Add(
                id,
                ArrangementValues
                    .Of(reading.Arrangement ?? throw new InvalidDataException($"{id}: {reading.Sentence}"))
                    .Write(),
                clock.GetUtcNow()
            );
        }
        foreach (var page in site.Pages.Where(p => workspace.Pages.Find(p.Id) is null))
        {
            NamePictures(page.Document, ids);
            using var json = JsonDocument.Parse(page.Document.ToJsonString());
            var reading = DocumentReader.Read(json.RootElement);
            if (reading.Document is null)
                throw new InvalidDataException($"{page.Id}: {reading.Errors[0].Path}: {reading.Errors[0].Sentence}");
            workspace.Pages.Add(
                page.Id,
                page.Kind,
                page.Title,
                page.Path,
                page.Summary,
                DocumentWriter.Write(reading.Document).ToJsonString(),
                clock.GetUtcNow()
            );
        }
    }

    private static void Describe(Workspace workspace, string id, PictureWords words)
    {
        var asset = workspace.Assets.Find(id)!;
        var was = asset.Facts.Words;
        var keep = words.Keep is [var x, var y, var w, var h] ? new FocalRegion(x, y, w, h) : asset.Facts.Keep;
        workspace.Assets.Change(
            id,
            asset.Version,
            was.With(
                words.Title,
                words.Alt,
                words.Caption,
                words.Description,
                words.Credit,
                folder: words.Folder,
                keywords: words.Keywords,
                own: words.Own
            ),
            keep,
            words.Keep is not null
        );
    }

    private static void NamePictures(JsonNode node, IReadOnlyDictionary<string, string> ids)
    {
        if (node is JsonObject { } o && (string?)o["type"] == "figure")
        {
            var attrs = o["attrs"]!.AsObject();
            foreach (
                var own in (attrs["at"] as JsonObject ?? []).Select(at => at.Value).OfType<JsonObject>().Append(attrs)
            )
            {
                if ((string?)own["asset"] is { } asset)
                    own["asset"] = ids[asset];
                if (own["cut"] is JsonObject cut)
                    cut["of"] = ids[(string)cut["of"]!];
            }
            foreach (
                var name in attrs["video"] is JsonObject video
                    ? new[] { "file", "captions" }.Where(n => (string?)video[n] is not null)
                    : []
            )
                attrs["video"]![name] = ids[(string)attrs["video"]![name]!];
        }
        if ((string?)node["type"] == "linePicture")
            node["attrs"]!["asset"] = ids[(string)node["attrs"]!["asset"]!];
        foreach (var listed in (string?)node["type"] == "files" ? node["attrs"]!["files"]!.AsArray() : [])
            listed!["file"] = ids[(string)listed["file"]!];
        foreach (var mark in node["marks"] as JsonArray ?? [])
        {
            if (
                (string?)mark!["attrs"]?["href"] is { } href
                && href.StartsWith(Link.File.Scheme, StringComparison.Ordinal)
            )
                mark["attrs"]!["href"] = Link.File.Scheme + ids[href[Link.File.Scheme.Length..]];
        }
        if (node is JsonObject { } grounded && (string?)grounded["type"] is "band" or "cell")
        {
            foreach (var name in new[] { "picture", "video" })
            {
                if ((string?)node["attrs"]?[name] is { } file)
                    node["attrs"]![name] = ids[file];
            }
        }
        foreach (var child in node["content"]?.AsArray() ?? [])
            NamePictures(child!, ids);
    }
}
