using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Core.Media;

namespace Dekoro.Intake.Sword;

/// <summary>A picture's words as the description that every archive for deposits takes.</summary>
/// <remarks>SWORD 3.0 Specification, 9.4 Metadata Document; DCMI Metadata Terms.</remarks>
public static class SwordMetadata
{
    private static readonly JsonSerializerOptions AsTyped = new()
    {
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <param name="fileName">Names it where it has no title.</param>
    /// <param name="takenOn">As 2026-11-30; null where it is not known.</param>
    public static string Write(PictureMetadata words, string fileName, string? takenOn)
    {
        var document = new JsonObject { ["@context"] = SwordTerms.Context, ["@type"] = "Metadata" };
        (string Term, string Words)[] terms =
        [
            ("dc:title", words.Title.Length > 0 ? words.Title : fileName),
            ("dcterms:abstract", words.Caption),
            // What it shows, and what is known of it: the terms have one word for both.
            ("dc:description", string.Join("\n\n", new[] { words.Alt, words.Description }.Where(w => w.Length > 0))),
            ("dc:creator", words.Credit),
            ("dc:rights", words.Rights),
            ("dc:subject", string.Join("; ", words.SplitKeywords())),
            ("dc:source", words.Source),
            ("dcterms:created", takenOn ?? ""),
        ];
        foreach (var (term, said) in terms.Where(t => t.Words.Length > 0))
            document[term] = said;
        return document.ToJsonString(AsTyped);
    }
}
