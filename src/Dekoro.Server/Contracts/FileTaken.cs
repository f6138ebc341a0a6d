namespace Dekoro.Server.Contracts;

/// <param name="SlotCssPx">How wide the picture stands on the device; 0 where it is hidden.</param>
/// <param name="WidthPx">Of the file the device takes; 0 for one given out unchanged.</param>
public sealed record FileTaken(string BlockId, double SlotCssPx, int WidthPx);
