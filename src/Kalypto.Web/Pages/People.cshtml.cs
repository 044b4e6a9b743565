using Kalypto.Store.People;
using Kalypto.Web.Doors;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>The accounts of the server: who can come in?</summary>
[Authorize(Policy = nameof(Need.Keeper))]
public sealed class PeoplePage(PeopleStore people, AccountOptions accounts) : PageModel
{
    /// <summary>True when there are accounts at all.</summary>
    public bool HasAccounts => accounts.IsOn;

    /// <summary>The number of whoever looks.</summary>
    public int? Me { get; private set; }

    /// <summary>All of them, by name.</summary>
    public IReadOnlyList<PersonRow> People { get; private set; } = [];

    /// <summary>Shows it.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        ViewData["Title"] = ViewData["Place"] = "People";
        Me = HttpContext.Features.GetRequiredFeature<Entry>().Access.Person;
        People = accounts.IsOn ? await people.AllAsync(cancel) : [];
    }
}
