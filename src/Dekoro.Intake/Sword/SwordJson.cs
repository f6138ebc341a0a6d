using System.Text.Json;

namespace Dekoro.Intake.Sword;

/// <summary>Reads documents of deposits, whatever they leave out.</summary>
internal static class SwordJson
{
    /// <exception cref="UnreadableException">Not a JSON object of one of these types.</exception>
    public static JsonElement Parse(byte[] document, params ReadOnlySpan<string> types)
    {
        try
        {
            using var json = JsonDocument.Parse(document);
            if (json.RootElement.ValueKind == JsonValueKind.Object && types.Contains(Text(json.RootElement, "@type")))
                return json.RootElement.Clone();
        }
        catch (JsonException)
        {
            // Told below.
        }
        throw new UnreadableException(
            $"The archive answers, but not with a document for deposits (SWORD 3.0, {string.Join(" or ", types)}): "
                + "check the address of its service in Site."
        );
    }

    /// <returns>Empty where there is none.</returns>
    public static string Text(JsonElement json, string name) =>
        json.ValueKind == JsonValueKind.Object
        && json.TryGetProperty(name, out var value)
        && value.ValueKind == JsonValueKind.String
            ? value.GetString()!
            : "";

    public static long? Number(JsonElement json, string name) =>
        json.TryGetProperty(name, out var value)
        && value.ValueKind == JsonValueKind.Number
        && value.TryGetInt64(out var number)
            ? number
            : null;

    /// <summary>The parts of a list; what is no list is one part.</summary>
    public static IReadOnlyList<JsonElement> List(JsonElement json, string name)
    {
        if (json.ValueKind != JsonValueKind.Object || !json.TryGetProperty(name, out var value))
            return [];
        return value.ValueKind == JsonValueKind.Array ? [.. value.EnumerateArray()] : [value];
    }

    public static IEnumerable<string> Texts(JsonElement json, string name) =>
        List(json, name).Where(v => v.ValueKind == JsonValueKind.String).Select(v => v.GetString()!);
}
