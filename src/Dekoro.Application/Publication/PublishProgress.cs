namespace Dekoro.Application.Publication;

/// <param name="Done">Files made or written so far.</param>
/// <param name="Sentence">What is going on, or what came of it.</param>
public sealed record PublishProgress(int Done, int Of, string Sentence);
