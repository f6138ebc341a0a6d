namespace Dekoro.Intake.Sword;

/// <summary>Why an archive did not do what was asked.</summary>
/// <param name="Type">Its kind, such as <c>MaxUploadSizeExceeded</c>; empty where it does not say.</param>
/// <param name="Sentence">What it says of it; empty where it says nothing.</param>
/// <remarks>SWORD 3.0 Specification, 9.7 Error Document.</remarks>
public sealed record SwordError(string Type, string Sentence)
{
    private const int MaxChars = 400;

    /// <summary>Whatever it is: an archive that fails may answer with anything.</summary>
    public static SwordError Read(byte[] document)
    {
        try
        {
            using var json = System.Text.Json.JsonDocument.Parse(document);
            var said = SwordJson.Text(json.RootElement, "error").ReplaceLineEndings(" ").Trim();
            return new(SwordJson.Text(json.RootElement, "@type"), said.Length > MaxChars ? said[..MaxChars] : said);
        }
        catch (System.Text.Json.JsonException)
        {
            return new("", "");
        }
    }
}
