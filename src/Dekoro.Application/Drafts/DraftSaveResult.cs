using System.Collections.Immutable;
using Dekoro.Core.Content;
using Dekoro.Storage;

namespace Dekoro.Application.Drafts;

/// <summary>What came of keeping a draft.</summary>
public abstract record DraftSaveResult
{
    private DraftSaveResult() { }

    /// <summary>It stands.</summary>
    /// <param name="Version">To go on from with what was sent.</param>
    /// <param name="Now">The page as it is now.</param>
    /// <param name="IsJoined">Whether another's changes are in it too.</param>
    public sealed record Kept(long Version, PageRow Now, bool IsJoined) : DraftSaveResult;

    /// <summary>There is no such page.</summary>
    public sealed record NoPage : DraftSaveResult;

    /// <summary>A value cannot be.</summary>
    public sealed record Refused(string Field, string Sentence) : DraftSaveResult;

    /// <summary>What was sent is no document.</summary>
    public sealed record NotADocument(ImmutableArray<DocumentError> Errors) : DraftSaveResult;

    /// <summary>Another was faster, and the two cannot be joined without a person.</summary>
    /// <param name="Joined">Null where what this began from is no longer known.</param>
    public sealed record Stale(PageRow Now, JoinedTexts? Joined) : DraftSaveResult;
}
