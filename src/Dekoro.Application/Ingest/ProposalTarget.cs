namespace Dekoro.Application.Ingest;

/// <summary>Where the words of what was read elsewhere go.</summary>
public abstract record ProposalTarget
{
    private ProposalTarget() { }

    /// <summary>Into the draft of a page.</summary>
    /// <param name="AfterBlockId">The piece they follow; null for the end.</param>
    public sealed record OnPage(string Id, string? AfterBlockId) : ProposalTarget;

    /// <summary>A page or post of their own.</summary>
    public sealed record NewPage(string Kind, string Title) : ProposalTarget;

    /// <summary>Nowhere yet: whoever asked has a page open.</summary>
    public sealed record None : ProposalTarget;
}
