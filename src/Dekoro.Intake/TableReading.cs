using System.Collections.Immutable;

namespace Dekoro.Intake;

/// <param name="LeftOut">Lines and columns that were not understood, each with what to do.</param>
public sealed record TableReading(ImmutableArray<TableRow> Rows, ImmutableArray<LeftOut> LeftOut);
