namespace Kalypto.Web.Doors;

/// <summary>
/// Lets only pages of this very server ask for anything: a foreign page in the same browser may neither read nor change a
/// thing (Fetch Metadata, W3C; Origin, RFC 6454). Which hosts are answered at all is told by <c>AllowedHosts</c>.
/// </summary>
internal static class OwnPagesOnly
{
    public static Task RunAsync(HttpContext http, RequestDelegate next)
    {
        if (IsForeign(http.Request))
        {
            http.Response.StatusCode = StatusCodes.Status403Forbidden;
            return Task.CompletedTask;
        }
        if (http.Request.Path.StartsWithSegments("/api"))
        {
            http.Response.Headers.CacheControl = "no-store";
        }
        return next(http);
    }

    private static bool IsForeign(HttpRequest request)
    {
        var origin = request.Headers.Origin.ToString();
        if (origin.Length > 0 && origin != $"{request.Scheme}://{request.Host}")
        {
            return true;
        }
        // A link on another page may be followed; it opens a page and hands nothing to the other one.
        var isFollowed = HttpMethods.IsGet(request.Method) && request.Headers["Sec-Fetch-Mode"] == "navigate" && request.Headers["Sec-Fetch-Dest"] == "document";
        return request.Headers["Sec-Fetch-Site"].ToString() is "cross-site" or "same-site" && !isFollowed;
    }
}
