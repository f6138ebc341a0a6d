namespace Dekoro.Storage;

/// <summary>A picture on its way to the archive, or there.</summary>
/// <param name="NextAt">When it is tried next; of no meaning but while it waits.</param>
/// <param name="Tries">That did not go through, one after the other.</param>
/// <param name="Sentence">Why it waits still, or was refused; empty for nothing to say.</param>
/// <param name="There">What the archive has of it.</param>
public sealed record Deposit(
    string AssetId,
    DepositState State,
    string AskedBy,
    DateTimeOffset AskedAt,
    DateTimeOffset NextAt,
    int Tries,
    string Sentence,
    Deposited There
);
