namespace Dekoro.Storage;

/// <param name="Choose">From the addresses that are taken, one that is not; null where the address is to go.</param>
public sealed record AddressChange(Func<IReadOnlySet<string>, string>? Choose);
