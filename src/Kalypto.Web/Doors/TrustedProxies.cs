using System.Net;
using Microsoft.AspNetCore.HttpOverrides;

namespace Kalypto.Web.Doors;

/// <summary>The servers in front that the operator named; what others say of where a request comes from is not believed.</summary>
/// <param name="Options">What is taken from them.</param>
/// <param name="Any">True when there is one.</param>
internal sealed record TrustedProxies(ForwardedHeadersOptions Options, bool Any)
{
    /// <summary>Reads addresses and networks, such as <c>127.0.0.1</c> and <c>10.0.0.0/8</c>.</summary>
    /// <exception cref="FormatException">One is neither.</exception>
    public static TrustedProxies Parse(IEnumerable<string> named)
    {
        var options = new ForwardedHeadersOptions { ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto };
        options.KnownProxies.Clear();
        options.KnownIPNetworks.Clear();
        var any = false;
        foreach (var one in named.Select(n => n.Trim()).Where(n => n.Length > 0))
        {
            any = true;
            if (IPAddress.TryParse(one, out var address))
            {
                options.KnownProxies.Add(address);
            }
            else if (System.Net.IPNetwork.TryParse(one, out var network))
            {
                options.KnownIPNetworks.Add(network);
            }
            else
            {
                throw new FormatException($"--trusted-proxy wants an address or a network, such as 127.0.0.1 or 10.0.0.0/8, and not “{one}”.");
            }
        }
        return new(options, any);
    }
}
