using Dekoro.Core.Planning;

namespace Dekoro.Publishing;

/// <summary>
/// Where a page finds its files: the public site names planned files, a proof the fixed proof widths.
/// </summary>
public interface IFileAddresses
{
    /// <summary>Address of one output file, as it is written into the page at <paramref name="root"/>.</summary>
    string AddressOf(PlannedFile file, string root);

    /// <summary>The formats and widths offered of a cut, in the order of its <c>source</c> elements.</summary>
    IReadOnlyList<IReadOnlyList<PlannedFile>> Offered(PlannedCut cut);
}
