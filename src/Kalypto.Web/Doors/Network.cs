using System.Net;
using System.Net.Sockets;

namespace Kalypto.Web.Doors;

/// <summary>The networks that requests come from.</summary>
internal static class Network
{
    private const int Bytes = 8;

    /// <summary>The network of an address: an address of IPv4 itself, or the first 64 bits of one of IPv6, which one customer has whole.</summary>
    public static string Of(IPAddress? address)
    {
        var plain = address is { IsIPv4MappedToIPv6: true } ? address.MapToIPv4() : address;
        return plain is not { AddressFamily: AddressFamily.InterNetworkV6 } || IPAddress.IsLoopback(plain) ? $"{plain}"
            : $"{new IPAddress([.. plain.GetAddressBytes().Take(Bytes), .. new byte[Bytes]])}/64";
    }
}
