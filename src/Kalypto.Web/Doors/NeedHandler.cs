using System.Globalization;
using Kalypto.Store;
using Kalypto.Store.People;
using Microsoft.AspNetCore.Authorization;

namespace Kalypto.Web.Doors;

/// <summary>
/// Decides whether somebody may use a route: by what it is and, where they may see one delivery alone, by which delivery it is
/// about. A project that somebody may not see is to them as one that is not there.
/// </summary>
internal sealed class NeedHandler : AuthorizationHandler<NeedRequirement>
{
    // Parameters that name a second delivery.
    private static readonly string[] OtherDeliveries = ["with", "since"];

    protected override Task HandleRequirementAsync(AuthorizationHandlerContext context, NeedRequirement requirement)
    {
        if (context.Resource is not HttpContext http)
        {
            return Task.CompletedTask;
        }
        if (Refusal(http, Callers.AccessOf(http), requirement.Need) is { } refusal)
        {
            http.Features.Set(refusal);
            context.Fail(new(this, refusal.Name));
        }
        else
        {
            context.Succeed(requirement);
        }
        return Task.CompletedTask;
    }

    private static DoorRefusal? Refusal(HttpContext http, Access access, Need need) => need switch
    {
        _ when !access.IsSomebody => DoorRefusal.SignIn,
        Need.Person => access.Person is not null || access.IsKeeper ? null : DoorRefusal.SignIn,
        Need.Keeper => access.IsKeeper ? null : DoorRefusal.NotThere,
        _ when access.Role == Role.None && access.LacksSecondFactor => DoorRefusal.SecondFactor,
        _ when access.Role == Role.None || !IsOfDelivery(http, access) => DoorRefusal.NotThere,
        _ => access.Role >= RoleOf(need) ? null : DoorRefusal.TooLittle,
    };

    private static Role RoleOf(Need need) => need switch { Need.Guest => Role.Guest, Need.Developer => Role.Developer, Need.Designer => Role.Designer, _ => Role.Owner };

    // Of builds only the number of the build is in the address: they are looked at where they are found.
    private static bool IsOfDelivery(HttpContext http, Access access) => access.Delivery is not { } delivery
        || (http.Request.RouteValues.ContainsKey("build") || http.Request.RouteValues["number"]?.ToString() == delivery.ToString(CultureInfo.InvariantCulture)
            || access.IsNewest && http.GetEndpoint()?.Metadata.GetMetadata<OfNewestDeliveryAttribute>() is not null)
        && OtherDeliveries.All(q => http.Request.Query[q].ToString() is "" or "0");
}
