// Draws the pictures of the Windle Sands Kite Museum from the scenes beside this program. Usage: dotnet run --project
// demo/Draw   (writes demo/files and demo/mailbox; every run draws the same)
using Dekoro.Demo.Draw;

var demo = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../../"));
if (!Directory.Exists(Path.Combine(demo, "scenes")))
    demo = Path.GetFullPath("demo");
var files = Path.Combine(demo, "files");
Directory.CreateDirectory(files);

// With --mail only the mailbox is written.
foreach (var (recipe, i) in Recipes.All.Select((r, i) => (r, i)).Where(_ => !args.Contains("--mail")))
{
    Studio.Draw(recipe, Path.Combine(demo, "scenes"), files, seed: i + 1);
    Console.WriteLine($"{recipe.File, -44} {new FileInfo(Path.Combine(files, recipe.File)).Length / 1000, 6} kB");
}
Animation.Draw(Path.Combine(files, "tail-in-the-wind.gif"));
File.Copy(Path.Combine(files, "IMG_2291.jpg"), Path.Combine(files, "storm-kite-from-ana.jpg"), overwrite: true);
Mails.Write(Path.Combine(demo, "scenes"), Path.Combine(demo, "mailbox"));
var all = Directory.GetFiles(files);
Console.WriteLine($"{all.Length} files, {all.Sum(f => new FileInfo(f).Length) / 1e6:0.0} MB");
