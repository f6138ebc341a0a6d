using Dekoro.Application.Ingest;

namespace Dekoro.Server.Contracts;

public sealed record TakenList(IReadOnlyList<Taken> Files);
