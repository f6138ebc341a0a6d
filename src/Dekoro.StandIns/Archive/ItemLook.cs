namespace Dekoro.StandIns.Archive;

/// <summary>How an item's photograph looks.</summary>
public sealed record ItemLook(string Hue, int WidthPx, int HeightPx);
