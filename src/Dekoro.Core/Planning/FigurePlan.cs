using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Delivery;
using Dekoro.Core.Links;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>Everything decided about one placed picture; markup, fit, checks and weight read it from here.</summary>
/// <param name="Cuts">What it shows of which picture, that of the widest screens first; at least one.</param>
/// <param name="Fits">Null where it is hidden.</param>
/// <param name="Alt">Empty for a decorative picture.</param>
public sealed record FigurePlan(
    FigureBlock Block,
    ImmutableArray<PlannedCut> Cuts,
    PerClass<bool> Beside,
    Loading Loading,
    PerClass<Fit?> Fits,
    string Alt,
    string Caption,
    FigurePress Press
)
{
    /// <summary>Where the picture leads; null for nowhere or the large file.</summary>
    public Link? Link => Press.Reading?.Link;

    /// <inheritdoc cref="FigurePress.LargeFile"/>
    public PlannedFile? LargeFile => Press.LargeFile;

    /// <inheritdoc cref="FigurePress.Instead"/>
    public LightboxContent? Instead => Press.Instead;

    /// <summary>Whether a press on it opens the larger view.</summary>
    public bool OpensLarger => LargeFile is not null || Instead is not null;

    /// <summary>That of the widest screens on which it is shown.</summary>
    public PlannedCut Main => Cuts[0];

    /// <summary>What stands where no width is an exception.</summary>
    public PlannedCut Usual =>
        WidthClasses.All.Reverse().Where(c => Block.Exceptions[c] is null).Select(On).FirstOrDefault() ?? Main;

    /// <summary>Its fit on the class of screen where that is worst.</summary>
    public FitWord Worst =>
        WidthClasses.All.Select(c => Fits[c]).OfType<Fit>().Select(fit => fit.Word).DefaultIfEmpty(FitWord.Sharp).Max();

    /// <returns>Null where the picture is hidden.</returns>
    public PlannedCut? On(WidthClass c) => Cuts.FirstOrDefault(cut => cut.On[c]);

    /// <summary>Expected bytes on the commonest device of a class; 0 where it is hidden.</summary>
    public double BytesOn(WidthClass c) =>
        On(c) is { IsUnchanged: true } cut ? cut.Picture.FileBytes : Fits[c]?.ExpectedBytes ?? 0;

    /// <summary>Every file it may be asked for.</summary>
    public IEnumerable<PlannedFile> Files =>
        Cuts.SelectMany(cut => cut.Formats.SelectMany(cut.FilesIn)).Concat(LargeFile is null ? [] : [LargeFile]);
}
