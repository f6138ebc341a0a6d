using Dekoro.Application.Pictures;
using Dekoro.Core.Delivery;
using Dekoro.Core.Planning;
using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <summary>Which of the files that some plans ask for are there, looked up all at once.</summary>
internal sealed class MadeOf
{
    private readonly RenditionMaker _maker;
    private readonly IReadOnlyDictionary<string, Asset> _assets;
    private readonly Dictionary<PlannedFile, string> _names;
    private Dictionary<string, MadeFile> _made = [];

    public MadeOf(IEnumerable<PagePlan> plans, IReadOnlyDictionary<string, Asset> assets, RenditionMaker maker)
    {
        (_maker, _assets) = (maker, assets);
        _names = plans
            .SelectMany(p => p.Figures.Values)
            .SelectMany(f => f.Files)
            .Distinct()
            .ToDictionary(f => f, f => maker.NameOf(assets[f.AssetId], f));
        LookAgain();
    }

    /// <summary>After some were made.</summary>
    public void LookAgain() => _made = new(_maker.Whole([.. _names.Values]));

    /// <summary>They are asked for.</summary>
    public void Keep() => _maker.Keep([.. _names.Values]);

    /// <summary>Those that are not there, by picture and cut.</summary>
    public ILookup<(Asset Asset, Core.Geometry.Cut Cut), PlannedFile> Missing(Func<PlannedFile, bool> wanted) =>
        _names
            .Keys.Where(f => !f.IsUnchanged && wanted(f) && !_made.ContainsKey(_names[f]))
            .ToLookup(f => (_assets[f.AssetId], f.Cut));

    public string NameOf(PlannedFile file) => _names[file];

    /// <summary>A file as the site has it.</summary>
    public SiteFile FileOf(PlannedFile file, Hosting.Workspace workspace)
    {
        if (file.IsUnchanged)
        {
            var asset = _assets[file.AssetId];
            return new(asset.KeptSha256, asset.Facts.FileBytes, null, workspace.PathOf(asset));
        }
        var made = _made[_names[file]];
        return new(made.Sha256, made.Bytes, null, _maker.PathOf(made.Name));
    }

    /// <summary>Whether all files of a cut in a format are there.</summary>
    public bool IsThere(PlannedCut cut, OutputFormat format) =>
        cut.FilesIn(format).All(f => f.IsUnchanged || _made.ContainsKey(_names[f]));

    /// <summary>
    /// The formats of a cut that are there, in the order in which they are offered; a page is right with any that every
    /// browser reads.
    /// </summary>
    public IReadOnlyList<OutputFormat> Offered(PlannedCut cut) =>
        FormatOrder.ByGain([.. cut.Formats.Where(f => f == cut.Formats[^1] || IsThere(cut, f))], format =>
            cut.FilesIn(format).Sum(BytesOf)
        );

    private long BytesOf(PlannedFile file) =>
        file.IsUnchanged ? _assets[file.AssetId].Facts.FileBytes : _made[_names[file]].Bytes;
}
