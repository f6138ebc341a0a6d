using NetVips;

namespace Dekoro.Imaging;

/// <summary>
/// libvips set up once: few cached operations, and only the loaders of the formats that are taken in.
/// </summary>
public static class Vips
{
    private static readonly Lazy<bool> Ready = new(() =>
    {
        // What is wrong with a file is told to the person who gave it, not to the console.
        Log.SetLogHandler("VIPS", Enums.LogLevelFlags.Warning, (_, _, _) => { });
        Cache.Max = 0;
        Operation.Block("VipsForeignLoad", true);
        foreach (var loader in (string[])["Jpeg", "Png", "Webp", "Heif", "Nsgif", "Svg", "Tiff"])
            Operation.Block("VipsForeignLoad" + loader, false);
        return true;
    });

    /// <summary>Sets the library up once, with the limits that hold for every file.</summary>
    public static void EnsureReady() => _ = Ready.Value;

    /// <summary>Ends a computation that runs on past its time; it then throws as libvips does on any failure.</summary>
    public static void LimitTime(Image image, CancellationToken stop) => image.SetProgress(new Ignore(), stop);

    private sealed class Ignore : IProgress<int>
    {
        public void Report(int value) { }
    }
}
