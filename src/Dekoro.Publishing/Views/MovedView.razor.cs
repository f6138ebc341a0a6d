namespace Dekoro.Publishing.Views;

/// <summary>The page at an old address, which leads on.</summary>
public partial class MovedView
{
    [Parameter, EditorRequired]
    public required SiteFrame Frame { get; set; }

    [Parameter, EditorRequired]
    public required string Title { get; set; }

    [Parameter, EditorRequired]
    public required string Href { get; set; }
}
