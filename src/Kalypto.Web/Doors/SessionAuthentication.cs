using Kalypto.Store.People;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;

namespace Kalypto.Web.Doors;

/// <summary>
/// Authentication by the cookie handler of ASP.NET Core over our own sessions: the cookie holds the secret of a session and
/// nothing else, and who that is and what they may do is asked at each request, so what is ended or revoked ends at once.
/// </summary>
internal static class SessionAuthentication
{
    public static IServiceCollection AddSessions(this IServiceCollection services)
    {
        services.AddAuthentication(CookieAuthenticationDefaults.AuthenticationScheme).AddCookie(o =>
        {
            o.Cookie.Name = Callers.Cookie;
            o.Cookie.HttpOnly = true;
            // Links that are followed from elsewhere open the page; nothing that changes anything comes from elsewhere.
            o.Cookie.SameSite = SameSiteMode.Lax;
            o.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
            o.Cookie.IsEssential = true;
            o.ExpireTimeSpan = SessionStore.Lasts;
            o.TicketDataFormat = new SecretTickets();
            o.Events.OnValidatePrincipal = context => context.HttpContext.RequestServices.GetRequiredService<Callers>().ValidateAsync(context);
        });
        return services;
    }

    /// <summary>Signs in with a session: writes its cookie.</summary>
    public static Task SignInAsync(HttpContext http, string secret) =>
        http.SignInAsync(CookieAuthenticationDefaults.AuthenticationScheme, SecretTickets.PrincipalOf(secret), new AuthenticationProperties { IsPersistent = true });

    /// <summary>Takes the cookie away.</summary>
    public static Task SignOutAsync(HttpContext http) => http.SignOutAsync(CookieAuthenticationDefaults.AuthenticationScheme);
}
