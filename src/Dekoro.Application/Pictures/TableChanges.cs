using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Media;
using Dekoro.Intake;
using Dekoro.Storage;

namespace Dekoro.Application.Pictures;

/// <summary>Words of pictures from a table.</summary>
public sealed class TableChanges(Workspace workspace, Events events, BackgroundWork background)
{
    /// <param name="apply">False only says what would change.</param>
    /// <exception cref="UnreadableException">It is no table.</exception>
    public ChangeResult<TableChanged> Read(byte[] table, bool apply)
    {
        var here = workspace.Assets.All().Where(a => a.AwaySince is null).ToList();
        var (changed, leftOut) = Matched(LibraryTable.Read(table), here);
        if (changed.Select(c => c.Words.Refusal()).FirstOrDefault(e => e is not null) is { } error)
            return new ChangeResult<TableChanged>.Refused(null, error);
        if (apply && ChangeWords(changed) > 0)
        {
            events.Send("library", new { id = changed[0].Asset.Id });
            background.Prepare();
        }
        var changes = changed.SelectMany(c => Differences(c.Asset, c.Words));
        return new ChangeResult<TableChanged>.Done(new(changed.Count, [.. changes], leftOut));
    }

    private int ChangeWords(List<(Asset Asset, PictureMetadata Words)> changed) =>
        workspace.Assets.ChangeWords([.. changed.Select(c => (c.Asset.Id, c.Asset.Version, c.Words))]);

    /// <summary>Each line's picture by its id, else by its file's name where only one has it.</summary>
    private static (List<(Asset Asset, PictureMetadata Words)> Changed, List<LeftOut> LeftOut) Matched(
        TableReading table,
        IReadOnlyList<Asset> assets
    )
    {
        var (byId, byName) = (
            assets.ToDictionary(a => a.Id),
            assets.ToLookup(a => a.Facts.FileName, StringComparer.OrdinalIgnoreCase)
        );
        var (changed, leftOut) = (new List<(Asset, PictureMetadata)>(), table.LeftOut.ToList());
        foreach (var row in table.Rows)
        {
            var named = byName[Path.GetFileName(row.File)].ToList();
            if (byId.GetValueOrDefault(row.Id) is { } asset || named is [var only] && (asset = only) is not null)
            {
                // An empty title would leave a picture without a name, which an empty cell does not mean.
                var words = row.On(asset.Facts.Metadata);
                if (words.Title.Trim().Length == 0)
                    words = words with { Title = asset.Facts.Metadata.Title };
                if (words != asset.Facts.Metadata)
                    changed.Add((asset, words));
            }
            else
                leftOut.Add(
                    new(
                        row.File.Length > 0 ? row.File : row.Id,
                        named.Count > 1
                            ? "Several pictures have this file name: give their ids."
                            : "No picture of the library has this name or id."
                    )
                );
        }
        return (changed, leftOut);
    }

    private static IEnumerable<TableChange> Differences(Asset asset, PictureMetadata now)
    {
        var was = asset.Facts.Metadata;
        var own = was
            .Own.Keys.Union(now.Own.Keys, StringComparer.OrdinalIgnoreCase)
            .Select(name => (name, was.Own.GetValueOrDefault(name, ""), now.Own.GetValueOrDefault(name, "")));
        foreach (
            var (field, before, after) in new[]
            {
                ("title", was.Title, now.Title),
                ("alt text", was.Alt, now.Alt),
                ("caption", was.Caption, now.Caption),
                ("description", was.Description, now.Description),
                ("credit", was.Credit, now.Credit),
                ("rights", was.Rights, now.Rights),
                ("folder", was.Folder, now.Folder),
                ("source", was.Source, now.Source),
                ("keywords", was.Keywords, now.Keywords),
            }.Concat(own)
        )
            if (before != after)
                yield return new(asset.Id, ProofAddresses.NameOf(asset.Facts), was.Title, field, before, after);
    }
}
