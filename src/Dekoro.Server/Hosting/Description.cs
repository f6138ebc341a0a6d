using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Dekoro.Server.Hosting;

/// <summary>How the interface for programs describes itself at /openapi/v1.json.</summary>
internal static class Description
{
    public static void Set(OpenApiOptions options)
    {
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Info = new()
                {
                    Title = "Dekoro",
                    Version = "1",
                    Description = "Pictures, pages and publishing of one site.",
                };
                document.Servers?.Clear();
                foreach (var schema in document.Components?.Schemas?.Values.OfType<OpenApiSchema>() ?? [])
                    AlwaysThere(schema);
                return Task.CompletedTask;
            }
        );
        // A value type is always written whole, which its constructor alone does not tell.
        options.AddSchemaTransformer(
            (schema, context, _) =>
            {
                var type = context.JsonTypeInfo.Type;
                if (
                    type is { IsValueType: true, IsPrimitive: false, IsEnum: false }
                    && schema.Properties is { Count: > 0 } properties
                )
                    schema.Required = properties.Keys.ToHashSet();
                return Task.CompletedTask;
            }
        );
    }

    /// <summary>One value for each class is never null, though its generic type cannot say so.</summary>
    private static void AlwaysThere(OpenApiSchema schema)
    {
        if (schema.Properties is not { Count: 3 } properties || !properties.ContainsKey("phone"))
            return;
        foreach (var (name, property) in properties.ToList())
        {
            if (
                property.OneOf?.FirstOrDefault(s => s.Type is not JsonSchemaType.Null) is { } value
                && property.OneOf.Count == 2
            )
                properties[name] = value;
        }
    }
}
