namespace Dekoro.StandIns.Archive;

/// <summary>The kinds of thing the archive holds.</summary>
public enum ItemKind
{
    Diamond,
    Delta,
    Rokkaku,
    Box,
    Sled,
    Serpent,
    Lantern,
    Fighter,
}
