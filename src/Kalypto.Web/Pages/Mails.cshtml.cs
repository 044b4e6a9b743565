using Kalypto.Application.People;
using Kalypto.Web.Doors;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kalypto.Web.Pages;

/// <summary>What would have been sent, if there were a mail server.</summary>
[Authorize(Policy = nameof(Need.Keeper))]
public sealed class MailsPage(Outbox outbox) : PageModel
{
    /// <summary>The mails, the newest first.</summary>
    public IReadOnlyList<Mail> Mails => outbox.Mails;

    /// <summary>Shows it.</summary>
    public void OnGet() => ViewData["Title"] = ViewData["Place"] = "Mail";
}
