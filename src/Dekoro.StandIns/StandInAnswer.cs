namespace Dekoro.StandIns;

/// <param name="MediaType">Of the content.</param>
public sealed record StandInAnswer(string MediaType, byte[] Content);
