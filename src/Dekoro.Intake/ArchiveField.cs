namespace Dekoro.Intake;

/// <summary>One thing described by an archive: a word for it and its value, both in the person's words.</summary>
public readonly record struct ArchiveField(string Label, string Value);
