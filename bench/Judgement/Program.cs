// How well pictures are judged, on real ones that tools/judged fetches: Judgement FOLDER SUBJECTS.json [PART ...]
using System.Text.Json;
using Dekoro.Bench;

var (folder, subjects, named) = (args[0], args[1], args[2..]);
var halves = JsonSerializer
    .Deserialize<Dictionary<string, JsonElement[][]>>(File.ReadAllText(subjects))!
    .ToDictionary(
        half => half.Key,
        half =>
            half.Value.Select(row => new Judged(
                    Path.Combine(folder, row[0].GetString()!),
                    [.. row[1..].Select(value => value.GetDouble())]
                ))
                .ToList()
    );

// "worked": boxes that limits were found with; "reported before": reported first, and looked at since; "reported":
// drawn before anything was measured on their pictures.
var drawn = halves.Values.SelectMany(half => half).ToList();

Print("indexed", Indexed.Print);
Print("twins", () => Twins.Print(folder));
Print("twins", () => Twins.Print(Path.Combine(folder, "reported")));
Print("twins", () => Twins.Print(Path.Combine(folder, "untouched")));
Print("keep", () => KeepAreas.Print(halves));
Print("learned", () => Learned.Print("demo"));
Print("blur", () => Blur.Print(drawn));
Print("speed", () => Speed.Print(drawn.First(d => d.Name.StartsWith("Kleiber", StringComparison.Ordinal)).Path));

void Print(string part, Action print)
{
    if (named.Length == 0 || named.Contains(part))
        print();
}
