using System.Text.Json.Nodes;
using Dekoro.Application.Ingest;

namespace Dekoro.Server.Contracts;

/// <param name="Page">The page the words stand on now; null where none was asked for.</param>
/// <param name="Words">The words with the pictures that were taken, where they were put on no page: for a desk that has
/// one open.</param>
public sealed record KeptProposal(IReadOnlyList<Taken> Files, string? Page, JsonNode? Words);
