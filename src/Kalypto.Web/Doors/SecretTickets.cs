using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;

namespace Kalypto.Web.Doors;

/// <summary>Writes the secret of a session into its cookie as it is. It is 256 random bits that mean something to the database alone, so there is nothing in it to protect.</summary>
internal sealed class SecretTickets : ISecureDataFormat<AuthenticationTicket>
{
    private const string Claim = "kalypto-secret";
    private const int Longest = 100;

    /// <summary>Whoever has a secret, before it is known who that is.</summary>
    public static ClaimsPrincipal PrincipalOf(string secret) => new(new ClaimsIdentity([new Claim(Claim, secret)], CookieAuthenticationDefaults.AuthenticationScheme));

    /// <summary>The secret that somebody has; null for none.</summary>
    public static string? SecretOf(ClaimsPrincipal? principal) => principal?.FindFirst(Claim)?.Value;

    public string Protect(AuthenticationTicket data) => Protect(data, null);

    public string Protect(AuthenticationTicket data, string? purpose) => SecretOf(data.Principal) ?? throw new InvalidOperationException("Only sessions are signed in with.");

    public AuthenticationTicket? Unprotect(string? protectedText) => Unprotect(protectedText, null);

    public AuthenticationTicket? Unprotect(string? protectedText, string? purpose) =>
        protectedText is { Length: > 0 and < Longest } secret ? new(PrincipalOf(secret), CookieAuthenticationDefaults.AuthenticationScheme) : null;
}
