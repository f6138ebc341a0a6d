namespace Dekoro.Server.Contracts;

/// <param name="LookAlikes">Those in the library that look the same.</param>
public sealed record FileDetail(FileItem File, IReadOnlyList<FileItem> LookAlikes, IReadOnlyList<FilePlace> StandsIn);
