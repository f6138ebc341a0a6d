using Dekoro.Core.Typography;

namespace Dekoro.Publishing;

/// <summary>A typeface that sites ship.</summary>
/// <param name="Family">Its name in a style sheet.</param>
/// <param name="File">Begins the names of its two files, upright and italic.</param>
/// <param name="Weights">The lightest and the boldest that its files hold, as a style sheet writes them.</param>
/// <param name="Like">Faces that stand in until it has come, as a style sheet writes them.</param>
/// <param name="Metrics">How wide its letters run.</param>
public sealed record ShippedFace(string Family, string File, string Weights, string Like, FaceFamily Metrics)
{
    /// <summary>Of what most of a page is set in.</summary>
    public string UprightFile => FileOf("normal");

    /// <summary>Both files.</summary>
    public IReadOnlyList<string> Files => [UprightFile, FileOf("italic")];

    /// <summary>The file of a slope, as a style sheet names slopes.</summary>
    internal string FileOf(string slope) => $"{File}-latin-wght-{slope}.woff2";
}
