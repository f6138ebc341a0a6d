using Dekoro.Core.Choices;
using Dekoro.Core.Planning;

namespace Dekoro.Publishing.Views;

/// <summary>A video by its still, or playing.</summary>
public partial class VideoView
{
    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required FigurePlan Figure { get; set; }

    private string? Source => Model.HrefOfFile((Figure.Block.Video as VideoChoice.Own)?.FileId);
    private string? Captions => Model.HrefOfFile((Figure.Block.Video as VideoChoice.Own)?.CaptionsId);
    private string Name => Figure.Alt.Length > 0 ? Figure.Alt : Figure.Main.Picture.Metadata.Title;
}
