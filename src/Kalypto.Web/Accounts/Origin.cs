using Kalypto.Store.People;

namespace Kalypto.Web.Accounts;

/// <summary>Where a try to come in comes from.</summary>
/// <param name="Network">The network: an address of IPv4, or the first 64 bits of one of IPv6, which one customer has whole.</param>
/// <param name="Device">The secret of a browser that somebody signed in with before; null for none.</param>
internal sealed record Origin(string Network, string? Device)
{
    private const string Cookie = "kalypto-device";
    private static readonly TimeSpan Lasts = TimeSpan.FromDays(400);

    /// <summary>Where a request comes from.</summary>
    public static Origin From(HttpContext http) => new(Doors.Network.Of(http.Connection.RemoteIpAddress), http.Request.Cookies[Cookie] is { Length: > 20 and < 100 } device ? device : null);

    /// <summary>Remembers that an account signed in with this browser.</summary>
    public static async Task RememberAsync(HttpContext http, TryStore tries, int person, CancellationToken cancel)
    {
        var device = From(http).Device ?? Secret.New();
        await tries.KnowAsync(person, device, cancel);
        http.Response.Cookies.Append(Cookie, device, new() { HttpOnly = true, IsEssential = true, MaxAge = Lasts, Path = "/api", SameSite = SameSiteMode.Lax, Secure = http.Request.IsHttps });
    }
}
