namespace Dekoro.Imaging;

/// <summary>A file that is not taken in, with a sentence saying why and what to do.</summary>
public sealed class RefusedFileException(string sentence) : Exception(sentence);
