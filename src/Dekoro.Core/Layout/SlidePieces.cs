using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;

namespace Dekoro.Core.Layout;

/// <summary>Words over a slide as pieces of a page.</summary>
public static class SlidePieces
{
    /// <param name="id">Of the slide's figure.</param>
    /// <param name="level">Of the heading, 2 or 3.</param>
    public static ImmutableArray<Block> Of(SlideWords words, string id, int level) =>
        [
            .. words.Title.Length > 0
                ? [new HeadingBlock(id + "-title", level, [new TextRun(words.Title)])]
                : Enumerable.Empty<Block>(),
            .. words.Text.Length > 0
                ? [new ParagraphBlock(id + "-text", [new TextRun(words.Text)])]
                : Enumerable.Empty<Block>(),
            .. words.Button.Length > 0
                ? [new ButtonBlock(id + "-button", words.Button, words.Link, ButtonKind.Filled)]
                : Enumerable.Empty<Block>(),
        ];
}
