using System.Reflection;
using System.Text.Json.Serialization;

namespace Dekoro.Core.Geometry;

/// <summary>
/// How a choice is written where it is kept or sent. Each value says it of itself (<see
/// cref="JsonStringEnumMemberNameAttribute"/>), so that its name in code may change and what is kept still reads.
/// </summary>
public static class WireName
{
    /// <summary>The wire name of a value.</summary>
    /// <exception cref="KeyNotFoundException">It has none.</exception>
    public static string Of<T>(T value)
        where T : struct, Enum => Names<T>.ByValue[value];

    /// <summary>The value with a wire name.</summary>
    public static bool TryRead<T>(string name, out T value)
        where T : struct, Enum => Names<T>.ByName.TryGetValue(name, out value);

    private static class Names<T>
        where T : struct, Enum
    {
        public static readonly Dictionary<T, string> ByValue = typeof(T)
            .GetFields(BindingFlags.Public | BindingFlags.Static)
            .Where(field => field.IsDefined(typeof(JsonStringEnumMemberNameAttribute)))
            .ToDictionary(
                field => (T)field.GetValue(null)!,
                field => field.GetCustomAttribute<JsonStringEnumMemberNameAttribute>()!.Name
            );

        public static readonly Dictionary<string, T> ByName = ByValue.ToDictionary(v => v.Value, v => v.Key);
    }
}
