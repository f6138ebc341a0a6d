namespace Dekoro.Storage;

/// <summary>Names of output files that plans have asked for, each with the specification to make it from.</summary>
public sealed class Renditions(Database database)
{
    /// <returns>What a file of this name is; null for one that was never planned.</returns>
    public string? SpecOf(string name) =>
        database.Read(c => c.One<string>("SELECT spec FROM rendition WHERE name = $name", ("$name", name)));

    /// <summary>Records what files of some names are, so that they can be made when they are asked for.</summary>
    public void Register(IEnumerable<(string Name, string AssetId, string Spec)> renditions) =>
        database.Write(c =>
        {
            var added = 0;
            foreach (var (name, asset, spec) in renditions)
            {
                added += c.Run(
                    "INSERT INTO rendition (name, asset_id, spec) VALUES ($name, $asset, $spec) ON CONFLICT "
                        + "(name) DO NOTHING",
                    ("$name", name),
                    ("$asset", asset),
                    ("$spec", spec)
                );
            }
            return added;
        });
}
