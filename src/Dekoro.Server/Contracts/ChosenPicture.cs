using Dekoro.Application.Pictures;

namespace Dekoro.Server.Contracts;

/// <summary>A picture to take, under these words.</summary>
public sealed record ChosenPicture(string Id, FileChange Words);
