namespace Dekoro.Imaging;

/// <summary>What is refused before anything is decoded.</summary>
public static class Limits
{
    public const long MaxFileBytes = 200L << 20;
    public const long MaxDownloadBytes = 2L << 30;

    /// <summary>Said of a file that is larger, before it is sent as well as after.</summary>
    public static readonly string DownloadTooLarge =
        $"This file is larger than {MaxDownloadBytes >> 30} GB: put it where large files are kept, and link "
        + "to its address.";

    public const long MaxPixels = 150_000_000;
    public const int MaxFrames = 400;
    public const int MaxSvgBytes = 4 << 20;
    public static readonly TimeSpan MaxTime = TimeSpan.FromSeconds(60);
}
