namespace Dekoro.Imaging;

/// <summary>What is refused before anything is decoded.</summary>
public static class Limits
{
    public const long MostFileBytes = 200L << 20;
    public const long MostDownloadBytes = 2L << 30;

    /// <summary>Said of a file that is larger, before it is sent as well as after.</summary>
    public static readonly string DownloadTooLarge = $"This file is larger than {MostDownloadBytes >> 30} GB: put it where large files are kept, and link to its address.";

    public const long MostPixels = 150_000_000;
    public const int MostFrames = 400;
    public const int MostSvgBytes = 4 << 20;
    public static readonly TimeSpan MostTime = TimeSpan.FromSeconds(60);
}
