using Dekoro.Core.Content;

namespace Dekoro.Application.Ingest;

/// <param name="Files">What became of each picture.</param>
/// <param name="PageId">The page the words stand on now; null where none was asked for.</param>
/// <param name="Words">The words with the pictures that were taken, where they were put on no page.</param>
public sealed record ProposalKept(IReadOnlyList<Taken> Files, string? PageId, Document? Words);
