namespace Dekoro.Server.Contracts;

/// <summary>Entries of a catalogue, by their numbers.</summary>
public sealed record BringFromArchive(string Address, IReadOnlyList<int> Items);
