using Dekoro.Application.Hosting;
using Dekoro.Intake;

namespace Dekoro.Application.Ingest;

/// <summary>A folder of mails as a mail program or server drops them; read, never changed.</summary>
public sealed class Mailbox(DataOptions places)
{
    private const int MaxListed = 200;

    /// <summary>What waits in the mailbox, newest first.</summary>
    public IReadOnlyList<MailLine> List()
    {
        var lines = new List<MailLine>();
        foreach (var (id, path) in Paths().Take(MaxListed))
        {
            try
            {
                using var file = File.OpenRead(path);
                var (title, from, date) = MailReader.Headers(file);
                lines.Add(new(id, title, from, date, file.Length));
            }
            catch (Exception e) when (e is UnreadableException or IOException)
            {
                lines.Add(new(id, Path.GetFileName(path), "This file is not a mail that can be read.", null, 0));
            }
        }
        return [.. lines.OrderByDescending(l => l.Date)];
    }

    /// <returns>Null where there is no such mail.</returns>
    public Stream? Open(string id) =>
        Paths().FirstOrDefault(p => p.Id == id) is { Path: { } path } ? File.OpenRead(path) : null;

    /// <summary>Ids are made from names and looked up, so that no path is ever made from what was asked.</summary>
    private IEnumerable<(string Id, string Path)> Paths() =>
        places.MailFolder is not { } folder || !Directory.Exists(folder)
            ? []
            : Directory
                .EnumerateFiles(folder, "*.eml")
                .Order(StringComparer.Ordinal)
                .Select(p =>
                    (
                        Convert.ToHexStringLower(
                            System
                                .Security.Cryptography.SHA256.HashData(
                                    System.Text.Encoding.UTF8.GetBytes(Path.GetFileName(p))
                                )
                                .AsSpan(0, 6)
                        ),
                        p
                    )
                );
}
