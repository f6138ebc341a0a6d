namespace Dekoro.Server.Contracts;

/// <summary>What is set of a page as a whole, from the next publishing on; what is left out stays.</summary>
/// <param name="IsOn">Whether it is on the public site.</param>
/// <param name="Date">Of a post, yyyy-mm-dd; "" for none.</param>
public sealed record PageSwitch(bool? IsOn = null, string? Date = null);
