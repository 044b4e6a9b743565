using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>What is shown when a page cannot be.</summary>
[IgnoreAntiforgeryToken]
[ResponseCache(NoStore = true)]
public sealed class ErrorPage : PageModel
{
    /// <summary>What happened.</summary>
    public string Heading { get; private set; } = "Something went wrong in Kalypto";

    /// <summary>What to do.</summary>
    public string Advice { get; private set; } = "Nothing is lost: every edit was saved when it was made. Load the page again; the server's log says what happened.";

    /// <summary>Shows it.</summary>
    public void OnGet(int code)
    {
        if (code == StatusCodes.Status404NotFound)
        {
            Heading = "There is nothing here";
            Advice = "The project, screen or file of this address does not exist, or not any more.";
        }
    }

    /// <summary>Shows it for a failed edit.</summary>
    public void OnPost(int code) => OnGet(code);
}
