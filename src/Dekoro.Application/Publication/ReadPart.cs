namespace Dekoro.Application.Publication;

/// <summary>A part with the files that are in it.</summary>
internal sealed record ReadPart(KeptPart Part, IReadOnlyList<(string Address, SiteFile File)> Files);
