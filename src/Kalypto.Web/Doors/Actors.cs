using System.Buffers.Text;
using System.Security.Cryptography;
using Kalypto.Core.Naming;
using Kalypto.Store;

namespace Kalypto.Web.Doors;

/// <summary>Tells browsers apart by a random cookie, and takes the name that people call themselves from the page.</summary>
internal static class Actors
{
    private const string Cookie = "kalypto-actor";
    private const int LongestWho = 40;
    private const int Bytes = 16;

    /// <summary>Who a request comes from. A page that is opened without the cookie gets one.</summary>
    public static Actor Of(HttpContext http)
    {
        var id = http.Request.Cookies[Cookie] ?? "";
        // Two base64 digits for three quarters of their bytes: anything else is not ours.
        if (id.Length != Base64Url.GetEncodedLength(Bytes) || !Base64Url.IsValid(id))
        {
            id = "";
        }
        if (id.Length == 0 && HttpMethods.IsGet(http.Request.Method) && !http.Request.Path.StartsWithSegments("/api"))
        {
            id = Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(Bytes));
            http.Response.Cookies.Append(Cookie, id, new() { HttpOnly = true, SameSite = SameSiteMode.Lax, IsEssential = true, Secure = http.Request.IsHttps, MaxAge = TimeSpan.FromDays(400), Path = "/" });
        }
        return new(id, Who(http));
    }

    /// <summary>The page that a request comes from; empty when it does not say.</summary>
    public static string PageOf(HttpContext http) => http.Request.Headers["X-Kalypto-Page"].ToString() is { Length: <= 40 } page ? page : "";

    private static string Who(HttpContext http) => PlainText.Clean(Uri.UnescapeDataString(http.Request.Headers["X-Kalypto-Who"].ToString()), LongestWho);
}
