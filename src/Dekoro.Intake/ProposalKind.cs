namespace Dekoro.Intake;

/// <summary>Where a proposal was read from.</summary>
public enum ProposalKind
{
    Mail,
    WebPage,
    Archive,
    Bundle,
}
