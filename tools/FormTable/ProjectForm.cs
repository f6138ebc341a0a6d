using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Dekoro.FormTable;

/// <summary>How much of a project is not as docs/contributing.md wants it.</summary>
/// <param name="Names">What stands out, as "what: file: name".</param>
internal sealed record ProjectForm(string Name, int Lines, int LongLines, IReadOnlyList<string> Names)
{
    private const int MostChars = 120;

    private static readonly string[] Columns =
    [
        Findings.LongMethod,
        Findings.Complex,
        Findings.ManyParameters,
        Findings.ManyMembers,
        Findings.SeveralTypes,
        Findings.Undocumented,
    ];

    public static string Head =>
        $"{"", -28} {"lines", 6} {">120", 7} " + string.Join(' ', Columns.Select(c => $"{c, 14}"));

    public override string ToString() =>
        $"{Name, -28} {Lines, 6} {100.0 * LongLines / Math.Max(1, Lines), 6:0.0}% "
        + string.Join(
            ' ',
            Columns.Select(c => $"{Names.Count(n => n.StartsWith(c + ":", StringComparison.Ordinal)), 14}")
        );

    public static ProjectForm Read(string project)
    {
        var folder = Path.GetDirectoryName(project)!;
        var (lines, longLines, names) = (0, 0, new List<string>());
        foreach (var path in Directory.EnumerateFiles(folder, "*.cs", SearchOption.AllDirectories).Where(IsSource))
        {
            var text = File.ReadAllText(path);
            var all = text.Split('\n');
            lines += all.Length;
            longLines += all.Count(l => l.Length > MostChars);
            var root = (CompilationUnitSyntax)CSharpSyntaxTree.ParseText(text).GetRoot();
            var at = $"{Path.GetFileName(folder)}/{Path.GetRelativePath(folder, path)}";
            names.AddRange(Findings.In(root, at, NamesWhatItTries(folder)).Select(f => $"{f.What}: {at}: {f.Name}"));
        }
        return new(Path.GetFileNameWithoutExtension(project), lines, longLines, names);
    }

    /// <summary>A test's name is what it says.</summary>
    private static bool NamesWhatItTries(string folder) => folder.EndsWith("Tests", StringComparison.Ordinal);

    private static bool IsSource(string path) =>
        !path.Split(Path.DirectorySeparatorChar).Any(p => p is "obj" or "bin" or "node_modules");
}
