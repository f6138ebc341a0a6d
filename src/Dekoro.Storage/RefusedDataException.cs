namespace Dekoro.Storage;

/// <summary>A data folder that is not opened, with a sentence that says why and what to do.</summary>
public sealed class RefusedDataException(string sentence, Exception? inner = null) : Exception(sentence, inner);
