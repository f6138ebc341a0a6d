namespace Dekoro.Core.Arrangements;

/// <summary>What the larger view of a set shows and offers.</summary>
/// <param name="Size">Of the file it opens; the original is a copy without what the camera wrote into it.</param>
/// <param name="Plays">Whether it can go from one to the next by itself, once a visitor asks.</param>
public sealed record Lightbox(LightboxSize Size, bool Credit, bool Zooms, bool Plays, bool Shares, bool Downloads)
{
    /// <summary>What a new arrangement begins with.</summary>
    public static Lightbox Usual { get; } = new(LightboxSize.Balanced, true, true, false, false, false);

    /// <returns>px; the picture's own where it is narrower.</returns>
    public static int WidthPxOf(LightboxSize size) =>
        size switch
        {
            LightboxSize.Lean => 1280,
            LightboxSize.Balanced => 1920,
            LightboxSize.Full => 2560,
            _ => int.MaxValue,
        };
}
