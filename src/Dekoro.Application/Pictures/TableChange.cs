namespace Dekoro.Application.Pictures;

/// <summary>A word that a table would change.</summary>
public sealed record TableChange(string Id, string Picture, string Title, string Field, string Was, string WillBe);
