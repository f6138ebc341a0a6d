namespace Dekoro.Publishing.Views;

public partial class MovedView
{
    [Parameter, EditorRequired]
    public required SiteFrame Frame { get; set; }

    [Parameter, EditorRequired]
    public required string Title { get; set; }

    [Parameter, EditorRequired]
    public required string Href { get; set; }
}
