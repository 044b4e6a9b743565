namespace Kalypto.Web.Endpoints;

/// <summary>Whole addresses with a secret in them. It stands behind #, so that no server, log or Referer ever sees it.</summary>
internal static class Addresses
{
    /// <summary>Where an invitation is taken.</summary>
    public static Func<string, string> Invitation(HttpContext http) => secret => $"{http.Request.Scheme}://{http.Request.Host}/welcome#{secret}";

    /// <summary>Where a link is opened.</summary>
    public static string Link(HttpContext http, string secret) => $"{http.Request.Scheme}://{http.Request.Host}/open#{secret}";
}
