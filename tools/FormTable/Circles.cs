using System.Text.RegularExpressions;

namespace Dekoro.FormTable;

/// <summary>Folders of a project that see each other, directly, by what their files use.</summary>
internal static partial class Circles
{
    public static IEnumerable<string> In(string project)
    {
        if (!Directory.Exists(project))
            yield break;
        var name = Path.GetFileName(project);
        var folders = Directory
            .EnumerateDirectories(project)
            .Select(d => Path.GetFileName(d)!)
            .Where(d => d is not ("bin" or "obj"))
            .Order(StringComparer.Ordinal)
            .ToList();
        var seen = folders.ToDictionary(f => f, f => SeenBy(Path.Combine(project, f), name));
        foreach (var (one, other) in folders.SelectMany((a, i) => folders.Skip(i + 1).Select(b => (a, b))))
            if (seen[one].Contains(other) && seen[other].Contains(one))
                yield return $"{one} and {other}";
    }

    private static HashSet<string> SeenBy(string folder, string project) =>
        Directory
            .EnumerateFiles(folder, "*.cs", SearchOption.AllDirectories)
            .SelectMany(f => Using().Matches(File.ReadAllText(f)))
            .Where(m => m.Groups["project"].Value == project)
            .Select(m => m.Groups["folder"].Value)
            .ToHashSet();

    [GeneratedRegex(@"^using (?:static )?(?<project>Dekoro\.\w+)\.(?<folder>\w+)", RegexOptions.Multiline)]
    private static partial Regex Using();
}
