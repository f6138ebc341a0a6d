using System.Security.Cryptography;
using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Links;
using Dekoro.Core.Planning;
using Dekoro.Core.Publication;

namespace Dekoro.Application.Publication;

/// <summary>What a site has beside its pages and their pictures, at addresses of its own.</summary>
public sealed class FilesBeside(Workspace workspace, PlanningContext planning, RenditionMaker maker)
{
    /// <summary>
    /// Other files that a public page links to or that have an address of their own, and pictures with an address of
    /// their own.
    /// </summary>
    internal IReadOnlyList<BesideFile> Of(IEnumerable<PagePlan> plans, PlanFacts facts)
    {
        var linked = plans.SelectMany(p => p.LinksOut).OfType<Link.File>().Select(l => l.FileId).ToHashSet();
        return
        [
            .. workspace
                .Downloads.All()
                .Where(d =>
                    (linked.Contains(d.Id) || d.Facts.HasOwnAddress) && facts.Addresses.FileById.ContainsKey(d.Id)
                )
                .Select(d => new BesideFile(facts.Addresses.FileById[d.Id].Address, d.Sha256, () =>
                    Task.FromResult(workspace.Files.PathOf(d.Sha256))
                )),
            .. workspace
                .Assets.WithOwnAddress()
                .Select(a => (Asset: a, File: OwnAddress.FileOf(a.Facts)))
                .Select(p => new BesideFile(p.Asset.OwnAddress!, maker.NameOf(p.Asset, p.File), () =>
                    p.File.IsUnchanged
                        ? Task.FromResult(workspace.PathOf(p.Asset))
                        : maker.PlannedAsync(p.Asset, p.File)
                )),
        ];
    }

    /// <summary>Addresses of arrangements that sites elsewhere show, each with a name for what is in it.</summary>
    private IEnumerable<(string Address, string Content)> ShownElsewhere() =>
        planning
            .ShownElsewhere()
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
    /// Addresses beside the pages, those of arrangements that sites elsewhere show among them, each with a name for
    /// what is there.
    /// </summary>
    internal Dictionary<string, string> ContentsOf(IEnumerable<BesideFile> files) =>
        files.Select(f => (f.Address, f.Content)).Concat(ShownElsewhere()).ToDictionary(f => f.Address, f => f.Content);
}
