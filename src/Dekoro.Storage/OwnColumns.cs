using System.Text.Encodings.Web;
using System.Text.Json;
using Dekoro.Core.Library;

namespace Dekoro.Storage;

/// <summary>The names of the site's own columns, in the order in which they are shown.</summary>
public sealed class OwnColumns(Settings settings)
{
    public const int Most = 24;

    private const string Setting = "own-columns";

    // As they are typed, so that they are found by their letters.
    private static readonly JsonSerializerOptions Plain = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    public IReadOnlyList<string> All() => settings.Get(Setting) is { } json ? JsonSerializer.Deserialize<List<string>>(json)! : [];

    public void Set(IEnumerable<string> names) => settings.Set(Setting, JsonSerializer.Serialize(names, Plain));

    /// <summary>Adds what words came with and no column shows yet, as far as there is room.</summary>
    public void AddThoseOf(OwnWords words)
    {
        if (words.Count == 0) return;
        var all = All();
        var more = words.Keys.Where(n => !all.Contains(n, StringComparer.OrdinalIgnoreCase)).ToList();
        if (more.Count > 0) Set(all.Concat(more).Take(Most));
    }

    internal static string Write(OwnWords words) => JsonSerializer.Serialize(words.ToDictionary(w => w.Key, w => w.Value), Plain);

    internal static OwnWords Read(string json) => json == "{}" ? OwnWords.None : OwnWords.Of(JsonSerializer.Deserialize<Dictionary<string, string>>(json)!);
}
