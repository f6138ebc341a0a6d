using Dekoro.Core.Site;

namespace Dekoro.Server.Contracts;

/// <summary>Another style than the one that If-Match names is not written over.</summary>
public sealed record StyleChange(StyleValues Values);
