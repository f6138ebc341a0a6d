namespace Dekoro.StandIns;

/// <param name="MediaType">Of the content.</param>
/// <param name="Location">Where what was made is; null for nothing.</param>
public sealed record StandInAnswer(string MediaType, byte[] Content, int Status = 200, Uri? Location = null);
