using Kalypto.Store.People;
using Kalypto.Web.Doors;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>One's own account: what one is called, the password, and the browsers that are signed in.</summary>
[Authorize(Policy = nameof(Need.Person))]
public sealed class MyAccountPage(PeopleStore people, SessionStore sessions) : PageModel
{
    private static readonly string[] Browsers = ["Firefox", "Edg", "Chrome", "Safari"];
    private static readonly string[] Systems = ["Android", "iPhone", "iPad", "Windows", "Mac OS", "Linux"];

    /// <summary>Who looks; null where there are no accounts.</summary>
    public PersonRow? Person { get; private set; }

    /// <summary>The session that they look with.</summary>
    public int Session { get; private set; }

    /// <summary>All of theirs.</summary>
    public IReadOnlyList<SessionRow> Sessions { get; private set; } = [];

    /// <summary>Shows it.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        ViewData["Title"] = ViewData["Place"] = "Account";
        var access = HttpContext.Features.GetRequiredFeature<Entry>().Access;
        Session = access.Session;
        if (access.Person is { } id)
        {
            Person = await people.FindAsync(id, cancel);
            Sessions = await sessions.ListAsync(id, cancel);
        }
    }

    /// <summary>A browser in words, out of what it calls itself.</summary>
    public static string NameOf(string browser)
    {
        var name = Array.Find(Browsers, b => browser.Contains(b, StringComparison.Ordinal)) is { } found ? found == "Edg" ? "Edge" : found : "a browser";
        return Array.Find(Systems, s => browser.Contains(s, StringComparison.Ordinal)) is { } system ? $"{name} on {system}" : name;
    }
}
