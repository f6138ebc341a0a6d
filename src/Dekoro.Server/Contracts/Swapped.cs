namespace Dekoro.Server.Contracts;

/// <param name="Undo">What puts everything back as it was, sent to the picture that came.</param>
public sealed record Swapped(int Places, int Pages, Swap Undo);
