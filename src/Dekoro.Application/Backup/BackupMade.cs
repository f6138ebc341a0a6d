namespace Dekoro.Application.Backup;

/// <param name="Folder">Of the backup.</param>
public sealed record BackupMade(string Folder, int Files, long Bytes);
