namespace Dekoro.Storage;

/// <summary>Who keeps something, and when.</summary>
/// <param name="IsNewState">Among the states that can be gone back to it begins a new one, though the last is young.</param>
public readonly record struct KeptBy(string Name, DateTimeOffset At, bool IsNewState = false);
