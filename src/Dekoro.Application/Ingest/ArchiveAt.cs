using Dekoro.Application.Hosting;

namespace Dekoro.Application.Ingest;

/// <summary>The archive that the site works with: the address of its collection, set in Site.</summary>
public sealed class ArchiveAt(Workspace workspace)
{
    private const string Name = "archive";

    /// <summary>The stand-in that ships with the program, until another is set.</summary>
    private const string Own = StandIns.StandIn.Collection;

    /// <summary>Of a IIIF collection; one that begins with a slash stands on this server.</summary>
    public string Address => workspace.Settings.Get(Name) is { } kept ? Read(kept) : Own;

    /// <summary>Sets it.</summary>
    public void Set(string address) => workspace.Settings.Set(Name, System.Text.Json.JsonSerializer.Serialize(address));

    private static string Read(string kept) => System.Text.Json.JsonSerializer.Deserialize<string>(kept) ?? Own;
}
