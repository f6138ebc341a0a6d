namespace Dekoro.Server.Contracts;

/// <summary>Whether a page is on the public site from the next publishing on.</summary>
public sealed record PageSwitch(bool IsOn);
