using Dekoro.Core.Content;

namespace Dekoro.Publishing.Views;

/// <summary>The words and pictures of a line.</summary>
public partial class InlinesView
{
    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required ImmutableArray<Inline> Inlines { get; set; }
}
