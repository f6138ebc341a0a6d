using Dekoro.Application.Pictures;

namespace Dekoro.Server.Contracts;

/// <param name="Ids">Pictures to change.</param>
public sealed record ManyChange(IReadOnlyList<string> Ids, FileChange Change);
