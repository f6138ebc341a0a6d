using System.Security.Cryptography;
using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Publication;

namespace Dekoro.Application.Publication;

/// <summary>What a site has beside its pages and their pictures, at addresses of its own.</summary>
public sealed class FilesBeside(Workspace workspace, RenditionMaker maker)
{
    /// <summary>
    /// Other files that a public page links to or that have an address of their own, and pictures with an address of
    /// their own.
    /// </summary>
    internal IReadOnlyList<BesideFile> Of(IReadOnlySet<string> linked, KnownSite site) =>
        [
            .. site
                .Rows.Downloads.Where(d =>
                    (linked.Contains(d.Id) || d.Facts.HasOwnAddress) && site.Rows.Addresses.FileById.ContainsKey(d.Id)
                )
                .Select(d => new BesideFile(site.Rows.Addresses.FileById[d.Id].Address, d.Sha256, () =>
                    Task.FromResult(new SiteFile(d.Sha256, d.Facts.Bytes, null, workspace.Files.PathOf(d.Sha256)))
                )),
            .. workspace
                .Assets.WithOwnAddress()
                .Select(a => (Asset: a, File: OwnAddress.FileOf(a.Facts)))
                .Select(p => new BesideFile(p.Asset.OwnAddress!, maker.NameOf(p.Asset, p.File), async () =>
                    SiteFile.At(
                        p.File.IsUnchanged ? workspace.PathOf(p.Asset) : await maker.PlannedAsync(p.Asset, p.File)
                    )
                )),
        ];

    /// <summary>Names all that is in them.</summary>
    internal static string MarkOf(IReadOnlyList<BesideFile> others) =>
        PageFingerprint.HashOf(others.SelectMany(f => new[] { f.Address, f.Content }));

    /// <summary>They, by their addresses.</summary>
    internal static async Task<IReadOnlyDictionary<string, SiteFile>> FilesOf(IReadOnlyList<BesideFile> others)
    {
        var files = new Dictionary<string, SiteFile>(StringComparer.Ordinal);
        foreach (var file in others)
            files[file.Address] = await file.FileAsync();
        return files;
    }

    /// <summary>Addresses of arrangements that sites elsewhere show, each with a name for what is in it.</summary>
    private static IEnumerable<(string Address, string Content)> ShownElsewhere(KnownSite site) =>
        site
            .Shown.Select(shown => shown.Page)
            .Select(page =>
                (
                    page.Path,
                    Convert.ToHexStringLower(
                        SHA256
                            .HashData(
                                Encoding.UTF8.GetBytes(
                                    ArrangementValues.Of(page.Arrangements.Single().Arrangement).Write()
                                )
                            )
                            .AsSpan(0, 8)
                    )
                )
            );

    /// <summary>
    /// Addresses beside the pages, those of arrangements that sites elsewhere show and of what viewers read among them,
    /// each with a name for what is there.
    /// </summary>
    internal static Dictionary<string, string> ContentsOf(
        IEnumerable<BesideFile> files,
        IReadOnlyList<LaterPart> viewed,
        KnownSite site
    ) =>
        files
            .Select(f => (f.Address, f.Content))
            .Concat(ShownElsewhere(site))
            .Concat(IiifFiles.ContentsOf(viewed).Select(f => (Address: f.Key, Content: f.Value)))
            .ToDictionary(f => f.Address, f => f.Content);
}
