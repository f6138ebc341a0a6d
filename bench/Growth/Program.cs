// What a change costs on sites of different sizes. Growth --fill FOLDER N PHOTOGRAPH: a site to look at by hand.
// Growth [FOLDER] [20 200 1000]: each size in a process of its own, so
// that nothing warms the next and memory is its own; then ratios against the smallest, and against a full publish.
using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using Dekoro.Bench;

if (args is ["--fill", var site, var many, var photograph])
{
    // A site to look at by hand: every picture is one photograph.
    await using var app = Dekoro.Server.Hosting.Host.Build(new(site, null, null) { ReserveBytes = 0 }, null);
    Club.Fill(
        (Dekoro.Application.Hosting.Workspace)app.Services.GetService(typeof(Dekoro.Application.Hosting.Workspace))!,
        int.Parse(many, CultureInfo.InvariantCulture),
        photograph
    );
    return;
}
if (args is ["--one", var data, var posts])
{
    var measured = await Measures.TakeAsync(data, int.Parse(posts, CultureInfo.InvariantCulture));
    Console.WriteLine(JsonSerializer.Serialize(measured));
    return;
}
var folder = args.Length > 0 ? args[0] : Directory.CreateTempSubdirectory("dekoro-growth").FullName;
string[] counts = args.Length > 1 ? args[1..] : ["20", "200", "1000"];
var all = new List<Measures>();
foreach (var count in counts)
{
    using var child = Process.Start(
        new ProcessStartInfo(Environment.ProcessPath!, ["--one", Path.Combine(folder, $"posts-{count}"), count])
        {
            RedirectStandardOutput = true,
        }
    )!;
    var answer = await child.StandardOutput.ReadToEndAsync();
    await child.WaitForExitAsync();
    all.Add(JsonSerializer.Deserialize<Measures>(answer.Trim().Split('\n')[^1])!);
}
Measures.Print(all);
