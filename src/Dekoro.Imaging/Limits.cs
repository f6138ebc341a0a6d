namespace Dekoro.Imaging;

/// <summary>What is refused before anything is decoded.</summary>
public static class Limits
{
    public const long MostFileBytes = 200L << 20;
    public const long MostDownloadBytes = 2L << 30;
    public const long MostPixels = 150_000_000;
    public const int MostFrames = 400;
    public const int MostSvgBytes = 4 << 20;
    public static readonly TimeSpan MostTime = TimeSpan.FromSeconds(60);
}
