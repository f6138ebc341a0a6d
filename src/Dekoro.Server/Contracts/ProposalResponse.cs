using Dekoro.Intake;

namespace Dekoro.Server.Contracts;

/// <summary>What was read from elsewhere and waits for a yes.</summary>
/// <param name="Waiting">Hosts where pictures lie that a mail only names, each as often as it has one: fetched when a
/// person asks.</param>
public sealed record ProposalResponse(
    string Id,
    ProposalKind Kind,
    string Title,
    string From,
    DateTimeOffset? Date,
    IReadOnlyList<ProposedPiece> Pieces,
    IReadOnlyList<ProposedPicture> Pictures,
    IReadOnlyList<LeftOut> LeftOut,
    IReadOnlyList<string> Waiting
);
