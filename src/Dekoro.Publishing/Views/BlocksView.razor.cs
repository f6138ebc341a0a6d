using Dekoro.Core.Choices;
using Dekoro.Core.Content;

namespace Dekoro.Publishing.Views;

/// <summary>Pieces one after the other.</summary>
public partial class BlocksView
{
    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required ImmutableArray<Block> Blocks { get; set; }

    /// <summary>Classes of some of them, by the id of the piece.</summary>
    [Parameter]
    public IReadOnlyDictionary<string, string>? Marks { get; set; }

    private string? MarkOf(Block block) => Marks?.GetValueOrDefault(block.Id);

    private string? ClassesOf(ParagraphBlock p) => p.IsSmall ? $"small {MarkOf(p)}".TrimEnd() : MarkOf(p);

    private static string ButtonClasses(ButtonBlock button) =>
        button.Kind == ButtonKind.Outline ? "button button-outline" : "button";
}
