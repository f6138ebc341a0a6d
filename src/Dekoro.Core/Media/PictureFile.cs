namespace Dekoro.Core.Media;

/// <summary>The file that a picture came in.</summary>
/// <param name="Name">As it was called where it came from.</param>
/// <param name="Frames">1 for a still.</param>
public sealed record PictureFile(string Name, PictureFormat Format, bool HasAlpha, int Frames, long Bytes);
