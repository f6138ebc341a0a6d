namespace Dekoro.Intake;

/// <param name="Name">Of the file or piece.</param>
/// <param name="Sentence">Why it was not taken, and what to do.</param>
public sealed record LeftOut(string Name, string Sentence);
