using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>Who are you?</summary>
[AllowAnonymous]
public sealed class SignInPage : PageModel
{
    /// <summary>The page of this server that they wanted to see.</summary>
    public string To { get; private set; } = "/";

    /// <summary>Shows it. Only addresses of this server are gone on to.</summary>
    public void OnGet(string? to)
    {
        ViewData["Title"] = "Sign in";
        To = Url.IsLocalUrl(to) ? to! : "/";
    }
}
