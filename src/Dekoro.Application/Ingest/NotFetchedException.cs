namespace Dekoro.Application.Ingest;

/// <summary>An address that was not fetched, with a sentence saying why and what to do.</summary>
public sealed class NotFetchedException(string sentence, Exception? inner = null) : Exception(sentence, inner);
