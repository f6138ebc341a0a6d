namespace Dekoro.Server.Contracts;

/// <summary>Days on which one banner is shown.</summary>
/// <param name="BannerId">Null for none.</param>
public sealed record ShownSpan(int FromDay, int Days, string First, string Last, string? BannerId);
