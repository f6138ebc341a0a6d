namespace Dekoro.Server.Contracts;

/// <summary>A file that lies in the data folder and that no record names.</summary>
/// <param name="Since">When it was found.</param>
/// <param name="GoesOn">When it goes for good.</param>
public sealed record QuarantineItem(string Name, long Bytes, DateTimeOffset Since, DateTimeOffset GoesOn);
