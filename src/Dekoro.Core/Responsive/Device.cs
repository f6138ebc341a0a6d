namespace Dekoro.Core.Responsive;

/// <summary>A kind of device that visits the site.</summary>
/// <param name="ViewportCssPx">Width of its viewport.</param>
/// <param name="PixelRatio">Device px for each CSS px.</param>
/// <param name="Share">Its share of the visits, 0 to 1.</param>
public sealed record Device(string Name, int ViewportCssPx, double PixelRatio, double Share);
