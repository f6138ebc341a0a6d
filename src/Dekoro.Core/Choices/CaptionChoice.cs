namespace Dekoro.Core.Choices;

/// <summary>Where the caption of a place comes from, and the words where they are its own.</summary>
public sealed record CaptionChoice(CaptionSource Source, string Own = "");
