using Kalypto.Application.People;
using Kalypto.Store;
using Kalypto.Store.People;

namespace Kalypto.Web.Doors;

/// <summary>Finds out who a request comes from, and what they may do.</summary>
internal sealed class Callers(AccountOptions accounts, SessionStore sessions)
{
    /// <summary>The cookie of a session.</summary>
    public const string Cookie = "kalypto-session";

    /// <summary>Who comes, and what they may do in a project; 0 for none.</summary>
    public async Task<Access> OfAsync(HttpContext http, int project) => !accounts.IsOn ? Access.Here
        : http.Request.Cookies[Cookie] is { Length: > 0 and < 100 } secret ? await sessions.OfAsync(secret, project, http.RequestAborted) : Access.Nobody;

    /// <summary>Who the history says that it was.</summary>
    public Actor ActorOf(HttpContext http, Access access)
    {
        var browser = Actors.Of(http);
        return !accounts.IsOn ? browser
            : access is { Person: { } person, Link: null } ? new(Invite.ActorOf(person), access.Name) { Person = person, Role = access.Role }
            : access.Link is { } link ? new($"link-{link}-{browser.Id}", browser.Name.Length > 0 ? $"{browser.Name} ({access.Name})" : access.Name) { Person = access.Person, Role = access.Role }
            : new("", "") { Role = Role.None };
    }

    /// <summary>Gives a browser the cookie of its session.</summary>
    public static void Remember(HttpContext http, string secret) => http.Response.Cookies.Append(Cookie, secret, new()
    {
        HttpOnly = true,
        IsEssential = true,
        MaxAge = SessionStore.Lasts,
        Path = "/",
        // Links that are followed from elsewhere open the page; nothing that changes anything comes from elsewhere.
        SameSite = SameSiteMode.Lax,
        Secure = http.Request.IsHttps,
    });
}
