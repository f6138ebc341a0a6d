using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Colour;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Documents;

/// <summary>What stands behind words: a colour, a picture over it, and a tint over both.</summary>
/// <param name="Colour">Null: the page's own.</param>
/// <param name="AssetId">Null: no picture.</param>
/// <param name="VideoId">A file of the library that plays over the picture, silently and again and again; null for none. It takes a picture, for those who want no movement.</param>
/// <param name="Repeats">A pattern: the picture is laid side by side at half its px, sharp on dense screens too.</param>
/// <param name="TintStrength">0 to 256 for each class of screen.</param>
public sealed record Ground(Srgb? Colour, string? AssetId, bool Repeats, Srgb Tint, PerClass<int> TintStrength, WordsTone Words, string? VideoId = null)
{
    /// <summary>An arrangement whose pictures take the picture's place one after the other; null for none. It takes a picture, and no video.</summary>
    public string? SetId { get; init; }

    /// <summary>The arrangement as it is now; null while it is not looked up, and where it is no more.</summary>
    public Arrangement? Set { get; init; }

    /// <summary>Another picture, or none; a video plays over a picture only, and others follow a picture only.</summary>
    public Ground WithPicture(string? assetId) => assetId is null ? this with { AssetId = null, VideoId = null, SetId = null, Set = null } : this with { AssetId = assetId };

    public static Ground None { get; } = new(null, null, false, Srgb.Black, default, WordsTone.Dark);
}

/// <summary>A piece that holds others, over a ground of its own or over what it stands in.</summary>
public abstract record GroundedBlock(string Id, Ground Ground, ImmutableArray<Block> Blocks) : Block(Id)
{
    /// <summary>True where something shows behind what stands in it.</summary>
    public bool HasGround => Ground is not { AssetId: null, Colour: null };

    /// <summary>The picture that its ground is, by the id of its place.</summary>
    public virtual string FigureId => Id;

    /// <summary>The picture behind, as one that is placed: it goes by the piece's own id and says nothing.</summary>
    public FigureBlock? Behind => Ground.AssetId is { } asset ? Placed(Id, asset) : null;

    /// <summary>Pictures that take its place one after the other, each with how long it stands, ms; a pattern keeps its place.</summary>
    public ImmutableArray<(FigureBlock Figure, int StayMs)> Followers => Ground is not { AssetId: { } first, Repeats: false, Set: { } set } ? [] :
        [.. set.Shown.Where(i => !i.IsWordsAlone && i.AssetId != first).Select(i => (Placed(FollowerIdOf(i), i.AssetId), set.StayOf(i)))];

    public string FollowerIdOf(ArrangementItem item) => Id + "-" + item.Id;

    private FigureBlock Placed(string id, string assetId) =>
        new(id, assetId, new FigureSize.Behind(Ground.Repeats), Side.Centre, false, CutChoice.AsIs, new AltChoice(true, null), new CaptionChoice(CaptionSource.None), new LinkChoice(FigureLinkKind.None));
}

/// <summary>Words over a slide of a slider or carousel.</summary>
public sealed record SlideBlock(string FigureOfSlide, Ground Ground, Side Across, Down Down, ImmutableArray<Block> Blocks) : GroundedBlock(FigureOfSlide + "-words", Ground, Blocks)
{
    public override string FigureId => FigureOfSlide;
}

/// <summary>Words over a ground take the site's ink, or its paper.</summary>
public enum WordsTone { Dark, Light }

/// <summary>Where words stand in a band that is higher than they need.</summary>
public enum Down { Top, Middle, Bottom }

/// <summary>A strip from edge to edge of the page with words and pictures over a ground of its own.</summary>
/// <param name="LeastHeightPx">CSS px for each class of screen; 0: as high as what stands in it.</param>
/// <param name="Across">Where lines of words stand.</param>
public sealed record BandBlock(string Id, Ground Ground, PerClass<int> LeastHeightPx, Side Across, Down Down, ImmutableArray<Block> Blocks)
    : GroundedBlock(Id, Ground, Blocks)
{
    public const int MostHeightPx = 2000;

    /// <summary>True where nothing of it shows: such a band waits on the desk and is never published.</summary>
    public bool IsEmpty => Blocks.IsEmpty && !HasGround;
}
