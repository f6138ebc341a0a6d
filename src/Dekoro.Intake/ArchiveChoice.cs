namespace Dekoro.Intake;

/// <summary>A value of a field that a search can be narrowed to.</summary>
/// <param name="Line">The search once it is switched.</param>
public sealed record ArchiveChoice(string Label, string Value, int Count, bool IsOn, string Line);
