using Dekoro.Core.Media;

namespace Dekoro.Imaging.Tests;

/// <summary>The museum's own files, as they were shipped.</summary>
internal static class Demo
{
    public static string Path(string name)
    {
        var folder = AppContext.BaseDirectory;
        while (!Directory.Exists(System.IO.Path.Combine(folder, "demo", "files")))
            folder = Directory.GetParent(folder)!.FullName;
        return System.IO.Path.Combine(folder, "demo", "files", name);
    }

    public static Probed Probe(string name)
    {
        using var file = File.OpenRead(Path(name));
        return Imaging.Probe.Read(Path(name), Imaging.Probe.FormatOf(file));
    }

    /// <summary>
    /// A figure that a run is to show: in the test's own output, and in the list that ./test prints at its end.
    /// </summary>
    public static void Say(string figure)
    {
        Xunit.TestContext.Current.TestOutputHelper!.WriteLine(figure);
        var build = System.IO.Path.Combine(System.IO.Path.GetDirectoryName(Path("box-kite.jpg"))!, "..", "..", "build");
        if (Directory.Exists(build))
            File.AppendAllText(System.IO.Path.Combine(build, "figures.txt"), figure + Environment.NewLine);
    }

    public static Measured Measure(string name) => Imaging.Measure.Read(Path(name), Probe(name));

    public static PictureFormat FormatOf(byte[] content)
    {
        using var stream = new MemoryStream(content);
        return Imaging.Probe.FormatOf(stream);
    }
}
