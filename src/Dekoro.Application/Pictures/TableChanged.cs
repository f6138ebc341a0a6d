using Dekoro.Intake;

namespace Dekoro.Application.Pictures;

/// <summary>What a table changes.</summary>
/// <param name="Pictures">How many pictures.</param>
/// <param name="LeftOut">Lines that are of no picture.</param>
public sealed record TableChanged(int Pictures, IReadOnlyList<TableChange> Changes, IReadOnlyList<LeftOut> LeftOut);
