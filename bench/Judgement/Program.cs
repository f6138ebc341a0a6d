// How well pictures are judged, on real ones that tools/judged fetches: Judgement FOLDER SUBJECTS.json
using System.Text.Json;
using Dekoro.Bench;

var (folder, subjects) = (args[0], args[1]);
var drawn = JsonSerializer
    .Deserialize<JsonElement[][]>(File.ReadAllText(subjects))!
    .Select(row => new Judged(
        Path.Combine(folder, row[0].GetString()!),
        [.. row[1..].Select(value => value.GetDouble())]
    ))
    .ToList();

Indexed.Print();
Twins.Print(folder);
Twins.Print(Path.Combine(folder, "reported"));
KeepAreas.Print(drawn);
Blur.Print(drawn);
Speed.Print(drawn[0].Path);
