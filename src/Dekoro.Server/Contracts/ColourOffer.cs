namespace Dekoro.Server.Contracts;

/// <summary>A colour of the site, to stand behind words or over a picture.</summary>
/// <param name="Colour">#rrggbb.</param>
public sealed record ColourOffer(string Name, string Colour);
