using Dekoro.Core.Choices;

namespace Dekoro.Core.Content;

/// <summary>Words that lead somewhere and look like something to press.</summary>
/// <param name="Link">As it is written in the document; empty while it is not said where it leads.</param>
public sealed record ButtonBlock(string Id, string Text, string Link, ButtonKind Kind) : Block(Id)
{
    /// <inheritdoc/>
    public override string KindInWords => "a button";

    /// <inheritdoc/>
    public override bool IsBlank => Text.Length == 0 && Link.Length == 0;

    /// <inheritdoc/>
    public override IEnumerable<TextRun> Runs() => Link.Length > 0 ? [new TextRun(Text, Link: Link)] : [];

    /// <inheritdoc/>
    public override string ToPlainText() => Text;
}
