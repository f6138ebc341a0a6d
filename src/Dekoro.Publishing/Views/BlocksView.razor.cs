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

    private static string ButtonClasses(ButtonBlock button) =>
        button.Kind == ButtonKind.Outline ? "button button-outline" : "button";
}
