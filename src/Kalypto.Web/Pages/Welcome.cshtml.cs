using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>Takes an invitation. Its secret stands behind # in the address and is read by the script alone.</summary>
[AllowAnonymous]
public sealed class WelcomePage : PageModel
{
    /// <summary>Shows it.</summary>
    public void OnGet() => ViewData["Title"] = "An invitation";
}
