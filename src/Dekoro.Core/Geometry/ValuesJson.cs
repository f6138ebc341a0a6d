using System.Text.Json;
using System.Text.Json.Serialization;

namespace Dekoro.Core.Geometry;

/// <summary>How records of values are written: small first letters, choices by name.</summary>
internal static class ValuesJson
{
    public static JsonSerializerOptions Options { get; } =
        new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) } };
}
