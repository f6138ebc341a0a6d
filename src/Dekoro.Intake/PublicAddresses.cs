using System.Net;
using System.Net.Sockets;

namespace Dekoro.Intake;

/// <summary>
/// Which network addresses are the public internet. Everything else is this machine's own network, from which a fetch
/// could read what no outsider may see.
/// </summary>
/// <remarks>IANA special-purpose address registries (RFC 6890 and its updates).</remarks>
public static class PublicAddresses
{
    private static readonly IPNetwork[] Special =
    [
        .. new[]
        {
            "0.0.0.0/8",
            "10.0.0.0/8",
            "100.64.0.0/10",
            "127.0.0.0/8",
            "169.254.0.0/16",
            "172.16.0.0/12",
            "192.0.0.0/24",
            "192.0.2.0/24",
            "192.88.99.0/24",
            "192.168.0.0/16",
            "198.18.0.0/15",
            "198.51.100.0/24",
            "203.0.113.0/24",
            "224.0.0.0/4",
            "240.0.0.0/4",
            "::/96",
            "fec0::/10",
            "64:ff9b::/96",
            "64:ff9b:1::/48",
            "100::/64",
            "2001::/23",
            "2001:db8::/32",
            "2002::/16",
            "3fff::/20",
            "5f00::/16",
            "fc00::/7",
            "fe80::/10",
            "ff00::/8",
        }.Select(IPNetwork.Parse),
    ];

    /// <summary>Whether an address is of the open net, not of this machine or its neighbours (RFC 6890).</summary>
    public static bool IsPublic(IPAddress address)
    {
        var plain = address.IsIPv4MappedToIPv6 ? address.MapToIPv4() : address;
        return plain.AddressFamily is AddressFamily.InterNetwork or AddressFamily.InterNetworkV6
            && !Special.Any(n => n.Contains(plain));
    }
}
