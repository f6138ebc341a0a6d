using System.Text.Json;
using System.Text.Json.Serialization;

namespace Dekoro.Application.Hosting;

/// <summary>JSON as it is kept and sent: small first letters, choices by name.</summary>
public static class Json
{
    /// <summary>How everything is written that is kept or sent.</summary>
    public static JsonSerializerOptions Options { get; } = Set(new JsonSerializerOptions(JsonSerializerDefaults.Web));

    /// <summary>Sets options so.</summary>
    public static JsonSerializerOptions Set(JsonSerializerOptions options)
    {
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase));
        options.NumberHandling = JsonNumberHandling.Strict;
        return options;
    }

    /// <summary>As it is kept or sent.</summary>
    public static string Write<T>(T value) => JsonSerializer.Serialize(value, Options);

    /// <exception cref="JsonException">Not the JSON of a <typeparamref name="T"/>.</exception>
    public static T Read<T>(string json) =>
        JsonSerializer.Deserialize<T>(json, Options) ?? throw new JsonException("null");
}
