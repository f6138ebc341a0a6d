using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Content;

/// <summary>A picture standing among the words.</summary>
/// <param name="AssetId">Empty while the place waits for one.</param>
public sealed record FigureBlock(
    string Id,
    string AssetId,
    FigureSize Size,
    HorizontalAlign Side,
    bool TextBeside,
    CutChoice Cut,
    AltChoice Alt,
    CaptionChoice Caption
) : Block(Id)
{
    /// <summary>Where a click on it leads.</summary>
    public LinkChoice Link { get; init; } = LinkChoice.None;

    /// <summary>What is otherwise on one class of screen; never hidden on all.</summary>
    public PerClass<FigureException?> Exceptions { get; init; }

    /// <summary>The look of its frame.</summary>
    public FrameStyleChoice FrameStyle { get; init; } = FrameStyleChoice.None;

    /// <summary>Plays where the picture stands; null for a picture alone.</summary>
    public VideoChoice? Video { get; init; }

    /// <summary>The file that its larger view opens.</summary>
    public LightboxSize Larger { get; init; } = LightboxSize.Full;

    /// <summary>What the larger view shows in the picture's stead; null for the picture itself.</summary>
    public LightboxContent? Instead { get; init; }

    /// <summary>The film of the library that plays here or in the larger view; null for none.</summary>
    public VideoChoice.Own? OwnVideo => (Video ?? Instead?.InPlace) as VideoChoice.Own;

    /// <summary>True where the place waits for a picture: it is kept on the desk and never published.</summary>
    public bool IsEmpty => AssetId.Length == 0;

    /// <summary>Every picture that stands here on one class of screen or another.</summary>
    public IEnumerable<string> Assets =>
        WidthClasses
            .All.Select(c => Exceptions[c]?.AssetId)
            .Prepend(AssetId)
            .OfType<string>()
            .Where(id => id.Length > 0)
            .Distinct();

    /// <summary>Whether it is left out at this width.</summary>
    public bool IsHiddenOn(WidthClass c) => Exceptions[c]?.Hidden ?? false;

    /// <summary>The figure as it stands on a class of screen.</summary>
    public FigureBlock On(WidthClass c)
    {
        if (Exceptions[c] is not { } own)
            return this;
        // What a cell or a band gives is not the picture's to set.
        return this with
        {
            AssetId = own.AssetId ?? AssetId,
            Size = Size is FigureSize.OfCell or FigureSize.Behind ? Size : own.Size ?? Size,
            Side = own.Side ?? Side,
            TextBeside = own.TextBeside ?? TextBeside,
            Cut = own.Cut ?? Cut,
        };
    }

    /// <summary>The same with another picture in one picture's stead.</summary>
    public FigureBlock WithAsset(string from, string to) =>
        this with
        {
            AssetId = AssetId == from ? to : AssetId,
            Exceptions = Exceptions.Select((_, own) => own?.AssetId == from ? own with { AssetId = to } : own),
        };

    /// <inheritdoc/>
    public override string KindInWords => Video is null ? "a picture" : "a video";

    /// <inheritdoc/>
    public override IEnumerable<FigureBlock> Figures() => [this];

    /// <inheritdoc/>
    public override Block? WithFigures(Func<FigureBlock, FigureBlock?> change) => change(this);
}
