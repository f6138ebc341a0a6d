using System.Text.Json;
using System.Text.Json.Serialization;

namespace Dekoro.Server.Work;

/// <summary>JSON as it is kept and sent: small first letters, choices by name.</summary>
public static class Json
{
    public static JsonSerializerOptions Options { get; } = Set(new JsonSerializerOptions(JsonSerializerDefaults.Web));

    public static JsonSerializerOptions Set(JsonSerializerOptions options)
    {
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase));
        options.NumberHandling = JsonNumberHandling.Strict;
        return options;
    }

    public static string Write<T>(T value) => JsonSerializer.Serialize(value, Options);

    /// <exception cref="JsonException">Not the JSON of a <typeparamref name="T"/>.</exception>
    public static T Read<T>(string json) => JsonSerializer.Deserialize<T>(json, Options) ?? throw new JsonException("null");
}
