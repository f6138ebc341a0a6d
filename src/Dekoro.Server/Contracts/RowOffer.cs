using Dekoro.Core.Responsive;

namespace Dekoro.Server.Contracts;

/// <summary>Columns of a number of cells in a row, with how many stand there on each class of screen.</summary>
public sealed record RowOffer(int Cells, PerClass<int> InRow, IReadOnlyList<ReachOffer> Reaches);
