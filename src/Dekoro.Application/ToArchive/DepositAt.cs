using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;

namespace Dekoro.Application.ToArchive;

/// <summary>Where pictures are handed to the archive, set in Site.</summary>
public sealed class DepositAt(Workspace workspace)
{
    private const string Name = "deposits";

    /// <summary>The stand-in that ships with the program, until another is set.</summary>
    private static readonly DepositAddress Own = new(StandIns.StandIn.Deposits, StandIns.StandIn.Token);

    /// <summary>As it is set now.</summary>
    public DepositAddress Now => workspace.Settings.Get(Name) is { } kept ? Json.Read<DepositAddress>(kept) : Own;

    /// <summary>Sets it.</summary>
    /// <param name="token">Null: what there is stays, as long as the address is on the same host.</param>
    public void Set(string address, string? token)
    {
        var before = Now;
        // A token is the secret of one archive, and is not shown to another.
        var kept = UriOf(address).Authority == UriOf(before.Address).Authority ? before.Token : "";
        var own = address == Own.Address ? Own.Token : kept;
        workspace.Settings.Set(Name, Json.Write(new DepositAddress(address, token ?? own)));
    }

    /// <summary>The whole address of what may be given without a host.</summary>
    public static Uri UriOf(string address) => new(StandInDesk.Root, address);
}
