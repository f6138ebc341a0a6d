using System.Diagnostics;
using System.Globalization;
using System.Xml.Linq;
using NetVips;

namespace Dekoro.Demo.Draw;

/// <summary>
/// Draws a scene at a width with the Chromium of this machine, whose turbulence filter takes seconds where the
/// decoder's own SVG renderer takes minutes.
/// </summary>
internal static class Raster
{
    public static Image Of(string scene, int widthPx)
    {
        var root = XDocument.Load(scene).Root!;
        var box = ((string)root.Attribute("viewBox")!)
            .Split(' ')
            .Select(n => double.Parse(n, CultureInfo.InvariantCulture))
            .ToArray();
        var heightPx = (int)Math.Round(widthPx * box[3] / box[2]);
        var work = Directory.CreateTempSubdirectory("dekoro-draw").FullName;
        try
        {
            var page = Path.Combine(work, "scene.html");
            root.SetAttributeValue("width", box[2]);
            root.SetAttributeValue("height", box[3]);
            File.WriteAllText(
                page,
                $"<!doctype html><style>*{{margin:0;overflow:hidden}}svg{{display:block}}</style>{root}"
            );
            var shot = Path.Combine(work, "scene.png");
            var scale = (widthPx / box[2]).ToString("0.######", CultureInfo.InvariantCulture);
            var start = new ProcessStartInfo("chromium-headless-shell")
            {
                RedirectStandardError = true,
                RedirectStandardOutput = true,
            };
            foreach (
                var argument in (string[])
                    [
                        "--headless",
                        "--no-sandbox",
                        "--disable-gpu",
                        "--disable-background-networking",
                        "--hide-scrollbars",
                        $"--force-device-scale-factor={scale}",
                        $"--window-size={box[2]},{box[3]}",
                        $"--screenshot={shot}",
                        "--user-data-dir=" + Path.Combine(work, "profile"),
                        "file://" + page,
                    ]
            )
                start.ArgumentList.Add(argument);
            using var chromium = Process.Start(start)!;
            chromium.ErrorDataReceived += (_, _) => { };
            chromium.BeginErrorReadLine();
            chromium.BeginOutputReadLine();
            chromium.WaitForExit();
            var drawn = Image.NewFromFile(shot, memory: true).ExtractBand(0, n: 3);
            return drawn.Resize((double)widthPx / drawn.Width, vscale: (double)heightPx / drawn.Height).CopyMemory();
        }
        finally
        {
            Directory.Delete(work, recursive: true);
        }
    }
}
