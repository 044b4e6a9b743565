using Kalypto.Application.Handover;
using Kalypto.Application.Packs;
using Kalypto.Store;
using Kalypto.Web.Models;

namespace Kalypto.Web.Pages;

/// <summary>What the pages of a delivery's handover share: they show what was delivered, as it was then.</summary>
/// <param name="plans">Plans packs.</param>
/// <param name="deliveries">Opens deliveries.</param>
/// <param name="builds">The deliveries of the project.</param>
/// <param name="place">Where in the handover the page is.</param>
public abstract class HandoverPage(PlanPack plans, OpenDelivery deliveries, BuildStore builds, string place) : ProjectPage(plans, place)
{
    /// <summary>Opens deliveries.</summary>
    protected OpenDelivery Opened { get; } = deliveries;

    /// <summary>The delivery.</summary>
    public HandoverHead Head { get; private set; } = null!;

    /// <summary>Opens the delivery; null when there is none of that number.</summary>
    protected async Task<Delivered?> OpenAsync(int number, CancellationToken cancel)
    {
        if (await Opened.LoadAsync(Workspace.Row.Id, number, cancel) is not { } delivered)
        {
            return null;
        }
        // Who may see this one alone is not told of others.
        Head = HandoverHead.Of(delivered, Entry.Access.Delivery ?? (await builds.DeliveriesAsync(Workspace.Row.Id, cancel)).Max(d => d.Number ?? 0));
        ViewData["Handover"] = Head;
        return delivered;
    }
}
