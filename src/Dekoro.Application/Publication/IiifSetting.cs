namespace Dekoro.Application.Publication;

/// <param name="IsOn">What the public site shows is described to viewers of other houses too.</param>
/// <param name="Address">That visitors know the site by, with no slash at its end; empty where it was never
/// said.</param>
public sealed record IiifSetting(bool IsOn, string Address)
{
    /// <summary>Where viewers begin, under the site.</summary>
    public const string Collection = "iiif/collection.json";
}
