namespace Dekoro.Server.Contracts;

/// <param name="Sentence">Said of a larger one, which need not be sent to be refused.</param>
public sealed record LargestFile(long Bytes, string Sentence);
