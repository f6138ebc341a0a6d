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

    /// <summary>What was worked out at the last look: of a thousand pictures few have changed since.</summary>
    private IReadOnlyDictionary<string, Known> _known = new Dictionary<string, Known>();
    private KnownCollection? _collection;

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
        var look = (new Uri(setting.Address + "/"), site.Round.Frame.Language);
        var before = _known;
        var shown = SiteMoment
            .PicturesOf(site.Public)
            .Values.Select(asset => (Asset: asset, View: ViewOf(asset, site)))
            .Where(p => p.View is not null)
            .Select(p =>
                before.TryGetValue(p.Asset.Id, out var known) && known.Holds(p.Asset, p.View!, look)
                    ? known
                    : KnownOf(p.Asset, p.View!, look)
            )
            .ToList();
        _known = shown.ToDictionary(k => k.Asset.Id);
        if (_collection is not { } all || !all.Holds(shown, site.Round.Frame.Name, look))
            _collection = all = new(
                shown,
                site.Round.Frame.Name,
                look,
                CollectionOf(shown, site.Round.Frame.Name, look)
            );
        return [.. shown.Select(k => k.Part), all.Part];
    }

    private static LaterPart CollectionOf(IReadOnlyList<Known> shown, string name, (Uri Root, string Language) look)
    {
        var collection = IiifWriter.Bytes(
            new IiifWriter(look.Language).Collection(
                new Uri(look.Root, IiifSetting.Collection),
                name,
                "",
                shown.Select(k => k.Described)
            )
        );
        return new("iiif", PageFingerprint.HashOf([Encoding.UTF8.GetString(collection)]), _ =>
            Task.FromResult<IReadOnlyDictionary<string, SiteFile>>(
                new Dictionary<string, SiteFile> { [IiifSetting.Collection] = SiteFile.Of(collection) }
            )
        );
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

    private Known KnownOf(Asset asset, PublicView view, (Uri Root, string Language) look)
    {
        var described = Described(asset, view, look.Root);
        return new(asset, view, look, described, PartOf(asset, view, described, new(look.Language)));
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

    private sealed record Known(
        Asset Asset,
        PublicView View,
        (Uri Root, string Language) Look,
        IiifPicture Described,
        LaterPart Part
    )
    {
        /// <summary>What was not touched is the same object.</summary>
        public bool Holds(Asset asset, PublicView view, (Uri Root, string Language) look) =>
            ReferenceEquals(asset, Asset)
            && view.Cut == View.Cut
            && view.WidthsPx.SequenceEqual(View.WidthsPx)
            && look == Look;
    }

    private sealed record KnownCollection(
        IReadOnlyList<Known> Of,
        string Name,
        (Uri Root, string Language) Look,
        LaterPart Part
    )
    {
        public bool Holds(IReadOnlyList<Known> of, string name, (Uri Root, string Language) look) =>
            name == Name && look == Look && of.SequenceEqual(Of, ReferenceEqualityComparer.Instance);
    }
}
