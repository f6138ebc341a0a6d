namespace Dekoro.Server.Contracts;

/// <param name="Box">Null where there are too few edges to tell.</param>
/// <param name="Sentence">How sharp it is there, and how many of its px count.</param>
public sealed record SharpestResponse(Box? Box, string Sentence);
