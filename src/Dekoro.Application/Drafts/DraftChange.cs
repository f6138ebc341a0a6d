using System.Text.Json;
using Dekoro.Core.Content;

namespace Dekoro.Application.Drafts;

/// <summary>A draft as a window sends it.</summary>
/// <param name="Path">Null leaves the address as it is.</param>
public sealed record DraftChange(string Title, string? Path, string? Summary, JsonElement Document)
{
    internal static DraftChange Of(PageText text) =>
        new(text.Title, text.Path, text.Summary, DocumentWriter.Write(text.Document).Deserialize<JsonElement>());
}
