namespace Dekoro.Application.Pictures;

/// <summary>Who waits for work on pixels.</summary>
public enum PixelWork
{
    /// <summary>Somebody at a screen: a proof, a file that comes in, a measurement.</summary>
    Asked,

    /// <summary>Nobody, or a publishing that takes its time: a ladder, which keeps all cores busy by itself.</summary>
    Ladder,
}
