namespace Dekoro.Server.Contracts;

public sealed record PageSwitch(bool IsOn);
