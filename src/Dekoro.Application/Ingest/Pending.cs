using System.Collections.Immutable;
using Dekoro.Core.Content;
using Dekoro.Intake;

namespace Dekoro.Application.Ingest;

/// <summary>What was read from elsewhere and waits for a person's yes.</summary>
/// <param name="Words">Its words, each picture at its place under the id it would have in the library.</param>
/// <param name="Waiting">Pictures that lie with somebody else's server, which is not asked unbidden.</param>
public sealed record Pending(
    string Id,
    ProposalOrigin Origin,
    Document Words,
    ImmutableArray<PendingPicture> Pictures,
    ImmutableArray<LeftOut> LeftOut,
    ImmutableArray<FoundPicture> Waiting
)
{
    /// <summary>
    /// The words as they were read, with the picture that each key of theirs names, as far as it is here.
    /// </summary>
    internal (Document Words, ImmutableDictionary<string, string> AssetByKey) Read { get; init; } =
        (Document.Empty, ImmutableDictionary<string, string>.Empty);

    /// <summary>The files of its pictures, which nobody else's letting go takes.</summary>
    internal ImmutableArray<IDisposable> Claims { get; init; } = [];
}
