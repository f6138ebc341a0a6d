using Dekoro.Application.Pictures;
using Dekoro.Intake;

namespace Dekoro.Server.Contracts;

/// <param name="Pictures">How many pictures change.</param>
/// <param name="Changes">The first of the changes.</param>
/// <param name="Total">How many changes there are.</param>
/// <param name="IsDone">True where they were made.</param>
public sealed record TableResponse(
    int Pictures,
    IReadOnlyList<TableChange> Changes,
    int Total,
    IReadOnlyList<LeftOut> LeftOut,
    bool IsDone
);
