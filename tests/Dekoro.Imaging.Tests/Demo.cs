using Dekoro.Core.Library;
using Dekoro.Imaging;

namespace Dekoro.Imaging.Tests;

/// <summary>The museum's own files, as they were shipped.</summary>
internal static class Demo
{
    public static string Path(string name)
    {
        var folder = AppContext.BaseDirectory;
        while (!Directory.Exists(System.IO.Path.Combine(folder, "demo", "files"))) folder = Directory.GetParent(folder)!.FullName;
        return System.IO.Path.Combine(folder, "demo", "files", name);
    }

    public static Probed Probe(string name)
    {
        using var file = File.OpenRead(Path(name));
        return Imaging.Probe.Read(Path(name), Imaging.Probe.FormatOf(file));
    }

    public static Measured Measure(string name) => Imaging.Measure.Read(Path(name), Probe(name));

    public static PictureFormat FormatOf(byte[] content)
    {
        using var stream = new MemoryStream(content);
        return Imaging.Probe.FormatOf(stream);
    }
}
