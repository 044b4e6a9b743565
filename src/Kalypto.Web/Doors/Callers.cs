using System.Globalization;
using System.Security.Claims;
using Kalypto.Application.People;
using Kalypto.Store;
using Kalypto.Store.People;
using Microsoft.AspNetCore.Authentication.Cookies;

namespace Kalypto.Web.Doors;

/// <summary>Finds out who a request comes from, and what they may do.</summary>
internal sealed class Callers(AccountOptions accounts, SessionStore sessions)
{
    /// <summary>The cookie of a session.</summary>
    public const string Cookie = "kalypto-session";

    /// <summary>Who a request comes from.</summary>
    public static Access AccessOf(HttpContext http) => http.Features.Get<Access>() ?? Access.Nobody;

    /// <summary>The project that a route lies in; 0 for none.</summary>
    public static int ProjectOf(HttpContext http) => http.GetEndpoint()?.Metadata.GetMetadata<ProjectScope>() is not null
        && int.TryParse(http.Request.RouteValues["project"]?.ToString(), NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : 0;

    /// <summary>Who comes now, and what they may do in the project of the route; asked anew.</summary>
    public async Task<Access> AskAsync(HttpContext http) => !accounts.IsOn ? Access.Here
        : SecretOf(http) is { } secret ? await sessions.OfAsync(secret, ProjectOf(http), http.RequestAborted) : Access.Nobody;

    /// <summary>Says of a server without accounts that whoever reaches it sits at its machine.</summary>
    public Task KnowAsync(HttpContext http, RequestDelegate next)
    {
        if (!accounts.IsOn)
        {
            http.Features.Set(Access.Here);
        }
        return next(http);
    }

    /// <summary>Looks up the session of a cookie.</summary>
    public async Task ValidateAsync(CookieValidatePrincipalContext context)
    {
        var http = context.HttpContext;
        // Without an endpoint there is nothing that would depend on it.
        var access = !accounts.IsOn || http.GetEndpoint() is null || SecretTickets.SecretOf(context.Principal) is not { } secret ? Access.Nobody : await sessions.OfAsync(secret, ProjectOf(http), http.RequestAborted);
        if (access.Session == 0)
        {
            context.RejectPrincipal();
            return;
        }
        http.Features.Set(access);
        // The tokens of pages hold for one person only.
        if (access.Person is { } person)
        {
            ((ClaimsIdentity)context.Principal!.Identity!).AddClaim(new(ClaimTypes.NameIdentifier, person.ToString(CultureInfo.InvariantCulture)));
        }
    }

    /// <summary>Who the history says that it was.</summary>
    public Actor ActorOf(HttpContext http, Access access)
    {
        var browser = Actors.Of(http);
        return !accounts.IsOn ? browser with { Role = Role.Owner }
            : access is { Person: { } person, Link: null } ? new(Invite.ActorOf(person), access.Name) { Person = person, Role = access.Role, Session = access.Session }
            : access.Link is { } link ? new($"link-{link}-{browser.Id}", browser.Name.Length > 0 ? $"{browser.Name} ({access.Name})" : access.Name) { Role = access.Role, Session = access.Session }
            : new("", "");
    }

    /// <summary>The secret of the session that a browser has; null for none.</summary>
    public static string? SecretOf(HttpContext http) => http.Request.Cookies[Cookie] is { Length: > 0 and < 100 } secret ? secret : null;
}
