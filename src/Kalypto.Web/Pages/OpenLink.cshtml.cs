using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>Opens a link. Its secret stands behind # in the address and is read by the script alone.</summary>
[AllowAnonymous]
public sealed class OpenLinkPage : PageModel
{
    /// <summary>Shows it.</summary>
    public void OnGet() => ViewData["Title"] = "A link to a handover";
}
