using System.Security.Cryptography;
using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Intake;

namespace Dekoro.Application.Ingest;

/// <summary>
/// Which mails were taken in, so that the mailbox can say it: a mail is known by its subject, sender and time, wherever
/// it was read.
/// </summary>
public sealed class TakenMails(Workspace workspace, TimeProvider clock)
{
    private const string Name = "taken-mails";
    private const int MaxKnown = 5000;

    /// <summary>Something was taken in; what is no mail is not recorded.</summary>
    public void Record(ProposalOrigin origin)
    {
        if (origin.Kind != ProposalKind.Mail)
            return;
        workspace.Settings.Change(Name, was =>
        {
            var known = Read(was.Json);
            known[KeyOf(origin.Title, origin.From, origin.Date)] = clock.GetUtcNow();
            return Json.Write(known.OrderByDescending(m => m.Value).Take(MaxKnown).ToDictionary());
        });
    }

    /// <summary>With when they were taken in, where they were.</summary>
    public IReadOnlyList<MailLine> Marked(IReadOnlyList<MailLine> mails)
    {
        var known = Read(workspace.Settings.Get(Name));
        return
        [
            .. mails.Select(m =>
                known.TryGetValue(KeyOf(m.Subject, m.From, m.Date), out var at) ? m with { TakenAt = at } : m
            ),
        ];
    }

    private static Dictionary<string, DateTimeOffset> Read(string? json) =>
        json is null ? [] : Json.Read<Dictionary<string, DateTimeOffset>>(json);

    private static string KeyOf(string subject, string from, DateTimeOffset? date) =>
        Convert.ToHexStringLower(
            SHA256.HashData(Encoding.UTF8.GetBytes($"{subject}\n{from}\n{date?.ToUnixTimeSeconds()}")).AsSpan(0, 8)
        );
}
