using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Imaging;

namespace Dekoro.Bench;

/// <summary>A real picture, and the box that somebody drew round its subject.</summary>
internal sealed record Judged(string Path, double[] Box)
{
    public string Name => System.IO.Path.GetFileName(Path);

    public FocalRegion Subject => new(Box[0], Box[1], Box[2], Box[3]);

    public Probed Probed =>
        Probe.Read(Path, Path.EndsWith("png", StringComparison.Ordinal) ? PictureFormat.Png : PictureFormat.Jpeg);
}
