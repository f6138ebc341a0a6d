namespace Dekoro.Intake;

/// <summary>A source that cannot be read at all, with a sentence saying why and what to do.</summary>
public sealed class UnreadableException(string sentence, Exception? inner = null) : Exception(sentence, inner);
