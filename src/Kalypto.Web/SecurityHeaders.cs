namespace Kalypto.Web;

/// <summary>What browsers are told to allow: nothing but this server's own files, and no script inside a page.</summary>
internal static class SecurityHeaders
{
    public static Task AddAsync(HttpContext context, RequestDelegate next)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy =
            "default-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        return next(context);
    }
}
