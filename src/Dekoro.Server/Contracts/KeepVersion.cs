namespace Dekoro.Server.Contracts;

/// <param name="Replaces">The version of which this is a later state; null makes a new one.</param>
public sealed record KeepVersion(EditsResponse Edits, Box? Keep = null, int? Replaces = null);
