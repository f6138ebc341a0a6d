using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Core.Publication;
using Dekoro.Intake.Iiif;
using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <summary>
/// The pictures of the public site as viewers of other houses read them, if that is switched on: nothing that its pages
/// do not show.
/// </summary>
/// <remarks>IIIF Presentation API 3.0 and Image API 3.0, level 0: files alone, no program answers.</remarks>
public sealed class IiifFiles(Workspace workspace, RenditionMaker maker)
{
    private const string Name = "iiif";

    /// <summary>As it is set.</summary>
    public IiifSetting Setting =>
        workspace.Settings.Get(Name) is { } kept ? Json.Read<IiifSetting>(kept) : new(false, "");

    /// <summary>Sets it, for the next publishing.</summary>
    public void Set(IiifSetting setting) => workspace.Settings.Set(Name, Json.Write(setting));

    /// <summary>The parts that it adds to a site; none where it is off.</summary>
    internal IReadOnlyList<LaterPart> Of(KnownSite site)
    {
        if (Setting is not { IsOn: true } setting)
            return [];
        var root = new Uri(setting.Address + "/");
        var writer = new IiifWriter(site.Round.Frame.Language);
        var shown = SiteMoment
            .PicturesOf(site.Public)
            .Values.Select(asset => (Asset: asset, View: ViewOf(asset, site)))
            .Where(p => p.View is not null)
            .Select(p => (p.Asset, View: p.View!, Described: Described(p.Asset, p.View!, root)))
            .ToList();
        var collection = IiifWriter.Bytes(
            writer.Collection(
                new Uri(root, IiifSetting.Collection),
                site.Round.Frame.Name,
                "",
                shown.Select(p => p.Described)
            )
        );
        return
        [
            .. shown.Select(p => PartOf(p.Asset, p.View, p.Described, writer)),
            new("iiif", PageFingerprint.HashOf([Encoding.UTF8.GetString(collection)]), _ =>
                Task.FromResult<IReadOnlyDictionary<string, SiteFile>>(
                    new Dictionary<string, SiteFile> { [IiifSetting.Collection] = SiteFile.Of(collection) }
                )
            ),
        ];
    }

    /// <summary>Addresses of it, each with a name for what is there: the collection stands for all.</summary>
    internal static IEnumerable<KeyValuePair<string, string>> ContentsOf(IReadOnlyList<LaterPart> parts) =>
        parts.Count == 0
            ? []
            : [KeyValuePair.Create(IiifSetting.Collection, PageFingerprint.HashOf(parts.Select(p => p.Fingerprint)))];

    private static PublicView? ViewOf(Asset asset, KnownSite site) =>
        site.Places.Of(asset.Id) is { } places
            ? PublicView.Of(asset.Facts, places.All.Select(p => p.Cut), cut =>
                places.LadderOf(cut, asset.Facts, site.Style.Devices).WidthsPx[^1]
            )
            : null;

    private static IiifPicture Described(Asset asset, PublicView view, Uri root)
    {
        var words = asset.Facts.Metadata;
        return new(
            new Uri(root, $"iiif/{asset.Id}/manifest.json"),
            new Uri(root, $"iiif/{asset.Id}"),
            words.Title,
            words.Caption,
            [
                new("Alt text", words.Alt),
                new("Description", words.Description),
                new("Keywords", string.Join(", ", words.SplitKeywords())),
                new("Taken", asset.TakenOn ?? ""),
            ],
            words.Credit,
            words.Rights,
            view.Sizes
        );
    }

    private LaterPart PartOf(Asset asset, PublicView view, IiifPicture described, IiifWriter writer)
    {
        var (manifest, info) = (
            IiifWriter.Bytes(writer.Manifest(described)),
            IiifWriter.Bytes(IiifWriter.Info(described))
        );
        var files = view.FilesOf(asset.Facts).ToList();
        var names = files.Select(f => maker.NameOf(asset, f)).ToList();
        return new(
            $"iiif/{asset.Id}",
            PageFingerprint.HashOf([Encoding.UTF8.GetString(manifest), Encoding.UTF8.GetString(info), .. names]),
            async stop =>
            {
                await maker.LadderAsync(asset, view.Cut, files, stop);
                var made = new Dictionary<string, SiteFile>(StringComparer.Ordinal)
                {
                    [$"iiif/{asset.Id}/manifest.json"] = SiteFile.Of(manifest),
                    [$"iiif/{asset.Id}/info.json"] = SiteFile.Of(info),
                };
                foreach (var (size, name) in view.Sizes.Zip(names))
                {
                    var file = SiteFile.At(maker.PathOf(name));
                    made[$"iiif/{asset.Id}/{IiifWriter.PathOf(size)}"] = file;
                    made[$"iiif/{asset.Id}/{IiifWriter.WholePath}"] = file;
                }
                return made;
            }
        );
    }
}
