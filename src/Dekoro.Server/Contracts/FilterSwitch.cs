namespace Dekoro.Server.Contracts;

/// <summary>A filter that can be switched on or off for the search at hand.</summary>
/// <param name="Line">The search line once it is switched.</param>
/// <param name="Count">How many pictures of the search it would leave.</param>
public sealed record FilterSwitch(string Group, string Name, string Line, long Count, bool IsOn);
