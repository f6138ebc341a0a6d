using Dekoro.Application.Ingest;
using Dekoro.Core.Choices;

namespace Dekoro.Server.Contracts;

/// <summary>What became of each picture that was asked for, in that order.</summary>
/// <param name="Caption">What stands below them where they are placed.</param>
public sealed record TakenFromArchive(IReadOnlyList<Taken> Files, CaptionSource Caption);
