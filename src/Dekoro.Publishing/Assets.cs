namespace Dekoro.Publishing;

/// <summary>
/// Files a published site carries beside its pages and pictures: fonts and the fixed part of the style sheet.
/// </summary>
public static class Assets
{
    public static IReadOnlyList<string> Fonts { get; } = [.. Faces.All.SelectMany(f => f.Files)];

    /// <summary>
    /// For pages with a video that another site plays, or one behind words; for those whose pictures open the larger
    /// view; for those with a slider or carousel.
    /// </summary>
    public static IReadOnlyList<string> Scripts { get; } = ["video.js", "larger.js", "slider.js"];

    /// <summary>The style of arrangements and the larger view, for pages that have them.</summary>
    public const string SetsStyle = "sets.css";

    /// <summary>A style, script or face that every site has, by its name.</summary>
    public static byte[] Bytes(string name)
    {
        using var stream = Open(name);
        using var buffer = new MemoryStream();
        stream.CopyTo(buffer);
        return buffer.ToArray();
    }

    internal static string Text(string name)
    {
        using var reader = new StreamReader(Open(name));
        return reader.ReadToEnd();
    }

    private static Stream Open(string name) =>
        typeof(Assets).Assembly.GetManifestResourceStream($"Dekoro.Publishing.Assets.{name}")
        ?? throw new FileNotFoundException(name);
}
