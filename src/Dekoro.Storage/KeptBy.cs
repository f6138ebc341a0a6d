namespace Dekoro.Storage;

/// <summary>Who keeps something, and when.</summary>
/// <param name="IsNewState">It begins a new state to go back to, though the last is young.</param>
public readonly record struct KeptBy(string Name, DateTimeOffset At, bool IsNewState = false);
