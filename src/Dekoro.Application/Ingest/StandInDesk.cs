using Dekoro.StandIns;

namespace Dekoro.Application.Ingest;

/// <summary>
/// Answers for the stand-ins that ship with the program, in the same process: an address on this machine under their
/// path never becomes a request.
/// </summary>
public sealed class StandInDesk
{
    /// <returns>Null for every address that is not a stand-in's.</returns>
    public StandInAnswer? Answer(Uri address)
    {
        if (
            !address.IsLoopback
            || address.Scheme is not "http" and not "https"
            || !address.AbsolutePath.StartsWith(StandIn.Prefix, StringComparison.Ordinal)
        )
            return null;
        return StandIn.Answer(address)
            ?? throw new NotFetchedException($"There is nothing at {address.AbsolutePath}: check the address.");
    }
}
