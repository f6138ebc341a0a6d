using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>What is otherwise between two states of a page, in sentences that a person reads.</summary>
public static class PageDifferences
{
    private const int MostWords = 48;

    /// <param name="titleOf">Of a picture by its id; empty for one that is gone.</param>
    /// <returns>In the order of the page; none where both are the same.</returns>
    public static ImmutableArray<string> Between(PageText then, PageText now, Func<string, string> titleOf)
    {
        var (before, after) = (PiecesOf(then.Document), PiecesOf(now.Document));
        var (came, went) = (
            after.Where(p => !before.ContainsKey(p.Key)).Select(p => p.Value.Piece).ToList(),
            before.Where(p => !after.ContainsKey(p.Key)).Select(p => p.Value.Piece).ToList()
        );
        var anew = Paired(went, came);
        return
        [
            .. Named("title", then.Title, now.Title),
            .. Named("summary", then.Summary, now.Summary),
            .. went.Where(w => !anew.Contains(w)).Select(w => $"{Said(w, titleOf)} went."),
            .. after.Select(p => ChangeOf(p.Value.Piece)).OfType<string>(),
            .. IsMoved(before, after) ? ["Pieces stand in another order."] : Array.Empty<string>(),
        ];

        string? ChangeOf(Block piece) =>
            anew.Contains(piece) ? $"{Said(piece, titleOf)} was written anew."
            : came.Contains(piece) ? $"{Said(piece, titleOf)} came."
            : Own(before[piece.Id].Piece) != Own(piece) ? $"{Said(piece, titleOf)} was changed."
            : null;
    }

    /// <summary>Those that went and came one for one: what was written anew has another name.</summary>
    private static HashSet<Block> Paired(List<Block> went, List<Block> came)
    {
        var pairs = new HashSet<Block>(ReferenceEqualityComparer.Instance);
        foreach (var kind in came.GroupBy(b => b.KindInWords))
        {
            foreach (var (old, fresh) in went.Where(w => w.KindInWords == kind.Key).Zip(kind))
                pairs.UnionWith([old, fresh]);
        }
        return pairs;
    }

    /// <summary>What is told of by itself: also what stands in bands and cells, with what it stands in.</summary>
    private static Dictionary<string, (Block Piece, string In)> PiecesOf(Document document) =>
        Over(document.Blocks, "").DistinctBy(p => p.Piece.Id).ToDictionary(p => p.Piece.Id);

    private static IEnumerable<(Block Piece, string In)> Over(IEnumerable<Block> blocks, string within) =>
        blocks.SelectMany(b =>
            b switch
            {
                CellBlock => Over(b.Children(), b.Id),
                BandBlock or ColumnsBlock => Over(b.Children(), b.Id).Prepend((b, within)),
                _ => [(b, within)],
            }
        );

    /// <summary>What a piece is without those that are told of by themselves.</summary>
    private static string Own(Block piece) =>
        DocumentWriter
            .Write(
                piece switch
                {
                    BandBlock => piece.WithChildren(_ => []),
                    ColumnsBlock => piece.WithChildren(cells => [.. cells.Select(c => c.WithChildren(_ => []))]),
                    _ => piece,
                }
            )
            .ToJsonString();

    private static bool IsMoved(
        Dictionary<string, (Block Piece, string In)> before,
        Dictionary<string, (Block Piece, string In)> after
    )
    {
        static IEnumerable<(string, string)> Stays(
            Dictionary<string, (Block Piece, string In)> here,
            Dictionary<string, (Block Piece, string In)> there
        ) => here.Where(p => there.ContainsKey(p.Key)).Select(p => (p.Key, p.Value.In));
        return !Stays(before, after).SequenceEqual(Stays(after, before));
    }

    private static IEnumerable<string> Named(string what, string then, string now)
    {
        if (then != now)
            yield return then.Length == 0 ? $"It got a {what}: “{now}”."
            : now.Length == 0 ? $"Its {what} went: “{then}”."
            : $"Its {what} was “{then}” and is “{now}”.";
    }

    private static string Said(Block piece, Func<string, string> titleOf)
    {
        var words = piece is FigureBlock figure
            ? titleOf(figure.AssetId)
            : piece.ToPlainText().ReplaceLineEndings(" ").Trim();
        var kind = char.ToUpperInvariant(piece.KindInWords[0]) + piece.KindInWords[1..];
        return words.Length == 0
            ? kind
            : $"{kind} “{(words.Length > MostWords ? words[..MostWords].TrimEnd() + "…" : words)}”";
    }
}
