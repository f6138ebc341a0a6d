namespace Dekoro.Server.Contracts;

/// <param name="Keep">The keep area in the edited picture; null lets it follow from the version in use.</param>
public sealed record RoomState(EditsResponse Edits, Box? Keep = null);
