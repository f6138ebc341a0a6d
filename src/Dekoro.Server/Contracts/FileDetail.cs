namespace Dekoro.Server.Contracts;

/// <param name="LookAlikes">Those in the library that look the same.</param>
/// <param name="Deposit">Null where nobody asked to hand it to the archive.</param>
public sealed record FileDetail(
    FileItem File,
    IReadOnlyList<FileItem> LookAlikes,
    IReadOnlyList<FilePlace> StandsIn,
    DepositResponse? Deposit = null
);
