using Dekoro.Intake;

namespace Dekoro.Application.Ingest;

/// <summary>Where something was read.</summary>
/// <param name="From">Whose it is, or which site's.</param>
public sealed record ProposalOrigin(ProposalKind Kind, string Title, string From, DateTimeOffset? Date);
