namespace Dekoro.Storage;

/// <summary>A search line that is kept under a name.</summary>
public sealed record KeptSearch(string Name, string Line);
