using System.Collections.Immutable;
using Dekoro.Core.Content;

namespace Dekoro.Intake;

/// <summary>What a mail, a page, an archive or a bundle brings, before anything of it is kept.</summary>
/// <param name="Title">The subject, the page's title, the label.</param>
/// <param name="From">Who sent or holds it; empty where it does not say.</param>
/// <param name="Words">Its words with the pictures in their places: a figure's asset is the <see
/// cref="FoundPicture.Key"/>.</param>
/// <param name="Pictures">In the order in which they stand.</param>
/// <param name="LeftOut">What was not taken, with the reason.</param>
public sealed record Proposal(
    ProposalKind Kind,
    string Title,
    string From,
    DateTimeOffset? Date,
    Document Words,
    ImmutableArray<FoundPicture> Pictures,
    ImmutableArray<LeftOut> LeftOut
);
