namespace Dekoro.Intake;

/// <summary>Fetches one address whole.</summary>
/// <exception cref="UnreadableException">Not there, refused or too large, in a sentence.</exception>
public delegate Task<byte[]> FetchBytes(Uri address, CancellationToken stop);
