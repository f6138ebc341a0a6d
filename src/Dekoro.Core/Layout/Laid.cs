using System.Collections.Immutable;
using Dekoro.Core.Content;
using Dekoro.Core.Site;

namespace Dekoro.Core.Layout;

/// <summary>A piece where it comes to stand.</summary>
/// <param name="Box">Its own, without the space around it.</param>
/// <param name="Style">How its words are set; null for what has none.</param>
/// <param name="Lines">The content area of each line of its words.</param>
/// <param name="Over">The band or cell whose ground it stands over; null on the page's own paper.</param>
public sealed record Laid(Block Block, BoxPx Box, TextStyle? Style, ImmutableArray<BoxPx> Lines, string? Over);
