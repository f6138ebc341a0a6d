using System.Collections.Immutable;
using Dekoro.Core.Documents;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;

namespace Dekoro.Intake;

/// <summary>Where a proposal was read from.</summary>
public enum ProposalKind { Mail, WebPage, Archive, Bundle }

/// <summary>What a mail, a page, an archive or a bundle brings, before anything of it is kept.</summary>
/// <param name="Title">The subject, the page's title, the label.</param>
/// <param name="From">Who sent or holds it; empty where it does not say.</param>
/// <param name="Words">Its words with the pictures in their places: a figure's asset is the <see cref="FoundPicture.Key"/>.</param>
/// <param name="Pictures">In the order in which they stand.</param>
/// <param name="LeftOut">What was not taken, with the reason.</param>
public sealed record Proposal(
    ProposalKind Kind, string Title, string From, DateTimeOffset? Date, Document Words, ImmutableArray<FoundPicture> Pictures, ImmutableArray<LeftOut> LeftOut);

/// <param name="Key">Names the picture within its proposal.</param>
/// <param name="FileName">As it came; says nothing about its content.</param>
/// <param name="Words">What the source says of it; the title is empty where it says nothing.</param>
/// <param name="Content">Where its bytes are.</param>
public sealed record FoundPicture(string Key, string FileName, Words Words, PictureContent Content)
{
    /// <summary>A keep area that came with it; null for none.</summary>
    public KeepBox? Keep { get; init; }

    /// <summary>Edits that came with it; null for none.</summary>
    public Edits? Edits { get; init; }
}

/// <summary>The bytes of a found picture: at hand, or still to be fetched.</summary>
public abstract record PictureContent
{
    private PictureContent() { }

    /// <param name="Open">A new stream at its start; the caller closes it.</param>
    public sealed record AtHand(Func<Stream> Open) : PictureContent;

    /// <param name="Address">On another server: fetched once through the intake, never linked to.</param>
    public sealed record Remote(Uri Address) : PictureContent;
}

/// <param name="Name">Of the file or piece.</param>
/// <param name="Sentence">Why it was not taken, and what to do.</param>
public sealed record LeftOut(string Name, string Sentence);

/// <summary>A source that cannot be read at all, with a sentence saying why and what to do.</summary>
public sealed class UnreadableException(string sentence, Exception? inner = null) : Exception(sentence, inner);
