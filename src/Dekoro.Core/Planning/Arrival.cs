namespace Dekoro.Core.Planning;

/// <param name="AtMs">When all of it is there, from the first request on.</param>
/// <param name="OnScrolling">It is fetched only when a visitor comes near; told as if they scrolled at once.</param>
public sealed record Arrival(string BlockId, double AtMs, bool OnScrolling);
