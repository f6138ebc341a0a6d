namespace Dekoro.Imaging;

/// <summary>Whose a picture is, as it is written into its files (Exif 2.32: Artist, Copyright).</summary>
public sealed record Attribution(string Credit, string Rights);
