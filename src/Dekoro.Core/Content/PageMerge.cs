using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>
/// Two people's changes to one page, joined piece by piece: what only one of them changed is taken as they have it.
/// Where both changed the same piece nothing is decided; the page is given both ways.
/// </summary>
/// <remarks>A three-way merge over the page's own pieces, told apart by their ids; what stands inside a piece goes with
/// it.</remarks>
public sealed record PageMerge(PageText WithYours, PageText WithTheirs, ImmutableArray<Clash> Clashes)
{
    private const int MaxWords = 300;

    /// <param name="basis">What both began with.</param>
    public static PageMerge Of(PageText basis, PageText theirs, PageText yours)
    {
        var sides = new Sides(Blocks(basis), Blocks(theirs), Blocks(yours));
        var clashes = ImmutableArray.CreateBuilder<Clash>();
        Field("Title", p => p.Title);
        Field("Address", p => p.Path);
        Field("Summary", p => p.Summary);
        clashes.AddRange(
            sides.Clashing.Select(id => new Clash(
                id,
                (sides.Yours.GetValueOrDefault(id) ?? sides.Theirs[id]).KindInWords,
                WordsOf(sides.Yours, id),
                WordsOf(sides.Theirs, id)
            ))
        );
        return new(Joined(preferYours: true), Joined(preferYours: false), clashes.ToImmutable());

        void Field(string name, Func<PageText, string> of)
        {
            if (of(theirs) != of(yours) && of(theirs) != of(basis) && of(yours) != of(basis))
                clashes.Add(new(null, name, of(yours), of(theirs)));
        }

        PageText Joined(bool preferYours)
        {
            string Of(Func<PageText, string> of) =>
                of(theirs) == of(basis) || (of(yours) != of(basis) && preferYours) ? of(yours) : of(theirs);
            return new(
                Of(p => p.Title),
                Of(p => p.Path),
                Of(p => p.Summary),
                new Document([
                    .. Order(basis, theirs, yours).Select(id => sides.Decided(id, preferYours)).OfType<Block>(),
                ])
            );
        }
    }

    /// <summary>
    /// The order of the side that moved pieces, theirs where both did, with the other's pieces after those they
    /// followed.
    /// </summary>
    private static List<string> Order(PageText basis, PageText theirs, PageText yours)
    {
        var (b, t, y) = (Ids(basis), Ids(theirs), Ids(yours));
        var (lead, other) = Moved(y) && !Moved(t) ? (y, t) : (t, y);
        var order = lead.ToList();
        var there = order.ToHashSet();
        foreach (var more in new[] { other, b })
        {
            for (var i = 0; i < more.Length; i++)
            {
                if (!there.Add(more[i]))
                    continue;
                var before = more.Take(i).Reverse().FirstOrDefault(there.Contains);
                order.Insert(before is null ? 0 : order.IndexOf(before) + 1, more[i]);
            }
        }
        return order;

        bool Moved(string[] side) => !side.Where(b.Contains).SequenceEqual(b.Where(side.Contains));
    }

    private static string[] Ids(PageText page) => [.. page.Document.Blocks.Select(b => b.Id)];

    private static Dictionary<string, Block> Blocks(PageText page) => page.Document.Blocks.ToDictionary(b => b.Id);

    private static string WordsOf(Dictionary<string, Block> side, string id)
    {
        if (!side.TryGetValue(id, out var block))
            return "";
        var words = block.ToPlainText().Trim();
        return words.Length == 0 ? block.KindInWords
            : words.Length > MaxWords ? words[..MaxWords] + "…"
            : words;
    }

    private sealed record Sides(
        Dictionary<string, Block> Basis,
        Dictionary<string, Block> Theirs,
        Dictionary<string, Block> Yours
    )
    {
        public IEnumerable<string> Clashing =>
            Yours
                .Keys.Concat(Theirs.Keys)
                .Distinct()
                .Where(id =>
                    Written(Theirs, id) is var t
                    && Written(Yours, id) is var y
                    && Written(Basis, id) is var b
                    && t != y
                    && t != b
                    && y != b
                );

        /// <returns>Null where it is out.</returns>
        public Block? Decided(string id, bool preferYours)
        {
            var (basis, theirs, yours) = (Written(Basis, id), Written(Theirs, id), Written(Yours, id));
            return (theirs == basis || (yours != basis && preferYours) ? Yours : Theirs).GetValueOrDefault(id);
        }

        private static string? Written(Dictionary<string, Block> side, string id) =>
            side.TryGetValue(id, out var block) ? DocumentWriter.Write(block).ToJsonString() : null;
    }
}
