using System.Text.Json.Nodes;

namespace Dekoro.Core.Content;

/// <summary>How pieces of a kind are read from JSON and written to it.</summary>
/// <param name="WireNames">The types of its nodes.</param>
/// <param name="Of">The pieces that it writes.</param>
internal sealed record BlockKind(
    string[] WireNames,
    Type Of,
    Func<NodeReader, Block?> Read,
    Func<Block, JsonObject> Write
)
{
    /// <summary>Where it may stand.</summary>
    public Func<PlaceInPage, bool> MayStand { get; init; } = _ => true;

    /// <summary>What is said of one that stands elsewhere; null says that it is not known there.</summary>
    public string? Elsewhere { get; init; }

    /// <summary>Every kind there is.</summary>
    public static IReadOnlyList<BlockKind> All { get; } =
    [.. WordsJson.Kinds, .. FigureJson.Kinds, .. HolderJson.Kinds];

    /// <summary>A kind whose pieces are of one type.</summary>
    public static BlockKind For<T>(string[] wireNames, Func<NodeReader, Block?> read, Func<T, JsonObject> write)
        where T : Block => new(wireNames, typeof(T), read, block => write((T)block));

    /// <returns>Null for a type that no kind has.</returns>
    public static BlockKind? Named(string wireName) => ByName.GetValueOrDefault(wireName);

    /// <exception cref="ArgumentException">No kind writes it.</exception>
    public static BlockKind Writing(Block block) =>
        All.FirstOrDefault(kind => kind.Of.IsInstanceOfType(block))
        ?? throw new ArgumentException($"No way to write {block.GetType().Name}.", nameof(block));

    private static readonly Dictionary<string, BlockKind> ByName = All.SelectMany(kind =>
            kind.WireNames.Select(name => (name, kind))
        )
        .ToDictionary(k => k.name, k => k.kind);
}
