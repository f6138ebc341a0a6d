using Dekoro.Core.Delivery;

namespace Dekoro.Imaging;

/// <summary>One output of a ladder: how wide, in which format, and where it goes.</summary>
public sealed record LadderStep(int WidthPx, OutputFormat Format, int Quality, string Path);
