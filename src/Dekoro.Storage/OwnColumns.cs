using System.Text.Encodings.Web;
using System.Text.Json;
using Dekoro.Core.Media;
using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>The names of the site's own columns, in the order in which they are shown.</summary>
public sealed class OwnColumns(Settings settings)
{
    public const int Max = 24;

    private const string Name = "own-columns";

    // As they are typed, so that they are found by their letters.
    private static readonly JsonSerializerOptions Plain = new()
    {
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>Their names.</summary>
    public IReadOnlyList<string> All() => Find().Names;

    /// <returns>With the version that a change starts from.</returns>
    public (IReadOnlyList<string> Names, long Version) Find() => Of(settings.Find(Name));

    /// <summary>Sets them, whatever there was.</summary>
    public void Set(IEnumerable<string> names) => settings.Set(Name, Written(names));

    /// <summary>Sets them where they are still at a version.</summary>
    /// <returns>How they stand then, and whether these are the ones that were given.</returns>
    public (IReadOnlyList<string> Names, long Version, bool IsSet) Set(IReadOnlyList<string> names, long version)
    {
        var isSet = false;
        var (now, then) = Of(settings.Change(Name, was => (isSet = was.Version == version) ? Written(names) : null));
        return (now, then, isSet);
    }

    /// <summary>Adds what words came with and no column shows yet, as far as there is room.</summary>
    public void AddThoseOf(CustomFields words)
    {
        if (words.Count > 0)
            settings.Change(Name, was => With(was, words));
    }

    internal static void AddThoseOf(SqliteConnection c, IEnumerable<CustomFields> all)
    {
        foreach (var words in all.Where(w => w.Count > 0))
        {
            if (With(Settings.Find(c, Name), words) is { } json)
                Settings.Set(c, Name, json);
        }
    }

    internal static string Write(CustomFields words) =>
        JsonSerializer.Serialize(words.ToDictionary(w => w.Key, w => w.Value), Plain);

    internal static CustomFields Read(string json) =>
        json == "{}"
            ? CustomFields.None
            : CustomFields.Of(JsonSerializer.Deserialize<Dictionary<string, string>>(json)!);

    private static string? With(Setting was, CustomFields words)
    {
        var (all, _) = Of(was);
        var more = words.Keys.Where(n => !all.Contains(n, StringComparer.OrdinalIgnoreCase)).ToList();
        return more.Count == 0 ? null : Written(all.Concat(more).Take(Max));
    }

    private static (IReadOnlyList<string> Names, long Version) Of(Setting setting) =>
        (setting.Json is { } json ? JsonSerializer.Deserialize<List<string>>(json)! : [], setting.Version);

    private static string Written(IEnumerable<string> names) => JsonSerializer.Serialize(names, Plain);
}
