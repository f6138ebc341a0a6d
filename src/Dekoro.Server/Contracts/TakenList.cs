using Dekoro.Application.Ingest;

namespace Dekoro.Server.Contracts;

/// <summary>What became of each file.</summary>
public sealed record TakenList(IReadOnlyList<Taken> Files);
