using Dekoro.FormTable;

// The form of a source tree as a table, a project a row; and whether it has become worse than the list of what is left.
//   dotnet run --project tools/FormTable [FOLDER] [--names] [--left FILE]
var folder = args.FirstOrDefault(a => !a.StartsWith('-') && !a.EndsWith(".txt", StringComparison.Ordinal)) ?? ".";
var projects = Directory
    .EnumerateFiles(folder, "*.csproj", SearchOption.AllDirectories)
    .Order(StringComparer.Ordinal)
    .Select(ProjectForm.Read)
    .ToList();
var circles = Circles.In(Path.Combine(folder, "src/Dekoro.Core")).Select(c => "circle: Dekoro.Core: " + c);
var names = projects.SelectMany(p => p.Names).Concat(circles).Order(StringComparer.Ordinal).ToList();
if (args is [.., "--left", var list])
{
    var left = File.ReadAllLines(list).Where(l => l.Length > 0 && !l.StartsWith('#')).ToHashSet();
    var (worse, better) = (names.Where(n => !left.Contains(n)).ToList(), left.Where(l => !names.Contains(l)).ToList());
    foreach (var name in worse)
        Console.WriteLine($"Shorten or split this (docs/contributing.md, Form): {name}");
    foreach (var name in better)
        Console.WriteLine($"This is mended: take it out of {list}: {name}");
    return worse.Count + better.Count > 0 ? 1 : 0;
}
Console.WriteLine(ProjectForm.Head);
foreach (var project in projects)
    Console.WriteLine(project);
foreach (
    var name in args.Contains("--names") ? names : names.Where(n => n.StartsWith("circle", StringComparison.Ordinal))
)
    Console.WriteLine(name);
return 0;
