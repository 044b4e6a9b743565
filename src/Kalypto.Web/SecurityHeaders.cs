namespace Kalypto.Web;

/// <summary>What browsers are told to allow: nothing but this server's own files, and no script inside a page but that of <see cref="WholePage"/>.</summary>
internal static class SecurityHeaders
{
    public static Task AddAsync(HttpContext context, RequestDelegate next)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy =
            $"default-src 'self'; script-src 'self' {context.RequestServices.GetRequiredService<WholePage>().Source}; img-src 'self' data:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        context.Response.OnStarting(() =>
        {
            // What says nothing of its own is of one person: no cache on the way keeps it, and of zips and lists not even the browser.
            if (headers.CacheControl.Count == 0)
            {
                headers.CacheControl = context.Response.ContentType?.StartsWith("text/html", StringComparison.Ordinal) == true ? "private, no-cache" : "no-store";
            }
            return Task.CompletedTask;
        });
        return next(context);
    }
}
