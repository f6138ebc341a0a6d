namespace Dekoro.Application.Ingest;

/// <param name="Address">Where it was found in the end, after redirects.</param>
/// <param name="MediaType">As the server states it; empty where it does not.</param>
/// <param name="Content">Ends with an error where it is larger than allowed.</param>
public sealed record Fetched(Uri Address, string MediaType, Stream Content);
