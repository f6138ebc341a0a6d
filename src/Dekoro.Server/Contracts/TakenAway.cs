namespace Dekoro.Server.Contracts;

/// <summary>What became of each picture that was to leave.</summary>
/// <param name="Away">Taken away now; they wait.</param>
/// <param name="Standing">Kept, because they stand somewhere.</param>
/// <param name="WaitDays">For how long what is away can be put back.</param>
public sealed record TakenAway(IReadOnlyList<string> Away, IReadOnlyList<StillStanding> Standing, int WaitDays);
