using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>What stands in a line: words, a break, or a picture.</summary>
public abstract record Inline
{
    /// <summary>The words of a line without its marks; breaks begin new lines.</summary>
    public static string ToPlainText(ImmutableArray<Inline> line) =>
        string.Concat(
            line.Select(i =>
                i switch
                {
                    TextRun run => run.Text,
                    LineBreak => "\n",
                    _ => "",
                }
            )
        );

    /// <summary>The same line with each picture in it changed; null takes a picture out.</summary>
    /// <returns>What was given, where no picture stands in it.</returns>
    public static ImmutableArray<Inline> WithFigures(
        ImmutableArray<Inline> line,
        Func<FigureBlock, FigureBlock?> change
    )
    {
        return line.Any(i => i is LinePicture)
            ? [.. line.Select(i => i is LinePicture one ? Changed(one) : i).OfType<Inline>()]
            : line;

        Inline? Changed(LinePicture one) => change(one.Figure) is { } figure ? one with { Figure = figure } : null;
    }
}
