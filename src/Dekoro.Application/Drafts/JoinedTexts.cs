using System.Collections.Immutable;
using Dekoro.Core.Content;

namespace Dekoro.Application.Drafts;

/// <summary>A page both sides changed, joined in the two ways in which it can be.</summary>
public sealed record JoinedTexts(ImmutableArray<Clash> Clashes, DraftChange WithYours, DraftChange WithTheirs);
