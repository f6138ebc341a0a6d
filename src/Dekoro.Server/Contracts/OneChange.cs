using Dekoro.Application.Pictures;

namespace Dekoro.Server.Contracts;

/// <param name="Version">The version the change started from.</param>
public sealed record OneChange(string Id, long Version, FileChange Change);
