using Dekoro.Intake;

namespace Dekoro.Server.Contracts;

/// <summary>What was read from elsewhere and waits, by its name.</summary>
/// <param name="Pictures">How many it has.</param>
public sealed record ProposalItem(string Id, ProposalKind Kind, string Title, string From, int Pictures);
