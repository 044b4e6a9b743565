using Kalypto.Web.Doors;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>What is shown when a page cannot be.</summary>
[IgnoreAntiforgeryToken]
[ResponseCache(NoStore = true)]
[AllowAnonymous]
public sealed class ErrorPage : PageModel
{
    /// <summary>What happened.</summary>
    public string Heading { get; private set; } = "";

    /// <summary>What to do.</summary>
    public string Advice { get; private set; } = "";

    /// <summary>Shows it.</summary>
    public void OnGet(int? code) =>
        (Heading, Advice) = HttpContext.Features.Get<DoorRefusal>() is { } refusal && refusal != DoorRefusal.NotThere ? (refusal.Heading, refusal.Advice) : Failures.Say(code ?? Response.StatusCode, HttpContext.Features.Get<IExceptionHandlerFeature>()?.Error);

    /// <summary>Shows it for a failed edit.</summary>
    public void OnPost(int? code) => OnGet(code);
}
