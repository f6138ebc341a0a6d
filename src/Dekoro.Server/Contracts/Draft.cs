using System.Text.Json.Nodes;

namespace Dekoro.Server.Contracts;

/// <summary>A page as it is being written.</summary>
/// <param name="Document">In the editor's JSON.</param>
/// <param name="OldPaths">Addresses it had on the public site before, which lead on to it.</param>
public sealed record Draft(
    string Id,
    string Kind,
    string Title,
    string Path,
    string Summary,
    string State,
    long Version,
    DateTimeOffset ChangedAt,
    JsonNode Document,
    IReadOnlyList<string> OldPaths
);
